<script setup lang="ts">
import { MARK_PLACES, type Recipe, type Vessel, roundG, toBase } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useFormat } from '../../../kit/units/useFormat.ts'
import { type ReadWeighing, numberTyped } from '../../draft/readEntry.ts'
import FactFields from '../../facts/FactFields.vue'
import type { FactIssues } from '../../facts/factIssues.ts'
import type { ShotDraft } from '../../draft/shotDraft.ts'
import { isOfSet } from '../../signOff/ofSet.ts'
import NumberEntry from '../../../kit/parts/NumberEntry.vue'
import ChoiceRow from '../../../kit/parts/ChoiceRow.vue'
import { usePouredProgramme } from '../usePouredProgramme.ts'
import WeighFields from '../WeighFields.vue'

const props = defineProps<{
  read: ReadWeighing
  recipe: Recipe | null
  /** Whether nobody looks for a scale under the cup. */
  isLineFirst: boolean
  vessels: readonly Vessel[]
  issues: FactIssues
}>()
const draft = defineModel<ShotDraft>({ required: true })
const { t } = useI18n()
const format = useFormat()
/** Less than this is shown as nothing. */
const NOTHING_SHOWN_ML = 0.5

const cups = computed(() => props.vessels.filter((vessel) => vessel.kind === 'cup'))
const says = computed(() => {
  // In a set the scale is read, and nothing said of it.
  if (props.read.netG === null || !props.recipe || isOfSet(draft.value)) return ''
  const overG = roundG(props.read.netG - props.recipe.yieldG)
  if (overG === 0) return t('cupSays.on')
  return t(overG > 0 ? 'cupSays.over' : 'cupSays.under', { amount: format.massApart(overG) })
})

const volume = computed(() => props.recipe?.school?.volume ?? null)
/** A house that goes by volume reads its glass; a weight beside it is a second opinion. */
const saysMl = computed(() => {
  const shown = numberTyped(draft.value.texts.cupMl)
  if (volume.value === null || shown === null || isOfSet(draft.value)) return ''
  const overMl = toBase(draft.value.units.volume, shown) - volume.value.targetMl
  if (Math.abs(overMl) < NOTHING_SHOWN_ML) return t('cupSays.on')
  return t(overMl > 0 ? 'cupSays.more' : 'cupSays.less', { amount: format.difference('volume', overMl) })
})

const lines = computed(() => [
  ...MARK_PLACES.map((value) => ({ value, label: t(`fact.cupLine.is.${value}`) })),
  { value: null, label: t('cupSays.notSeen') },
])
const programme = usePouredProgramme(
  () => draft.value,
  () => ({ cupG: props.read.netG, recipe: props.recipe }),
)

/** Two spouts should give alike. */
const apart = computed(() => {
  const second = numberTyped(draft.value.texts.secondCupG)
  if (second === null || props.read.netG === null) return ''
  return t('cupSays.apart', {
    amount: format.massApart(props.read.netG - 2 * toBase(draft.value.units.mass, second)),
  })
})
</script>

<template>
  <template v-if="volume">
    <NumberEntry
      v-model="draft.texts.cupMl"
      :label="t('fact.cupMl.label')"
      :suffix="t(`unit.${draft.units.volume}`)"
      :issue="issues('cupMl')"
    />
    <p v-if="saysMl" class="says" role="status">{{ saysMl }}</p>
  </template>
  <ChoiceRow
    v-if="isLineFirst"
    v-model="draft.noted.cupLine"
    is-label-hidden
    :label="t('cupSays.line')"
    :options="lines"
  />
  <component :is="volume || isLineFirst ? 'details' : 'div'">
    <summary v-if="volume || isLineFirst">{{ t('cupSays.weighToo') }}</summary>
    <WeighFields v-model="draft.cup" :read="read" :unit="draft.units.mass" :vessels="cups" />
    <p v-if="says && !volume" class="says" role="status">{{ says }}</p>
  </component>
  <p v-if="programme" class="warn" role="status">{{ programme }}</p>
  <details v-if="!volume && !isLineFirst && read.netG === null">
    <summary>{{ t('cupSays.noScale') }}</summary>
    <ChoiceRow v-model="draft.noted.cupLine" :label="t('cupSays.line')" :options="lines" />
  </details>
  <FactFields v-model="draft" step="cup" place="first" :issues="issues" />
  <details>
    <summary>{{ t('cupSays.twoCups') }}</summary>
    <NumberEntry
      v-model="draft.texts.secondCupG"
      :label="t('cupSays.second')"
      :suffix="t(`unit.${draft.units.mass}`)"
      :hint="t('cupSays.secondHint')"
      :issue="issues('secondCupG')"
    />
    <p v-if="apart" role="status">{{ apart }}</p>
    <FactFields v-model="draft" step="cup" place="more" :issues="issues" />
  </details>
</template>

<style scoped>
.warn {
  margin: 12px 0 0;
  padding: 8px 12px;
  border-left: 4px solid var(--ochre);
  background: var(--ochre-soft);
}
.says {
  margin: 12px 0 0;
  font-size: 1.1em;
}
</style>
