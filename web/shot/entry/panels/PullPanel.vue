<script setup lang="ts">
import {
  ABANDONMENTS,
  type Recipe,
  mayHoldPressure,
  pressureCaution,
  stopLead,
  toBase,
} from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../../kit/parts/ChoiceRow.vue'
import NumberEntry from '../../../kit/parts/NumberEntry.vue'
import { useAcademy } from '../../../data/academy/academy.ts'
import { useFormat } from '../../../kit/units/useFormat.ts'
import { useTargetWords } from '../../recipe/useTargetWords.ts'
import FactFields from '../../facts/FactFields.vue'
import SignLooks from '../../facts/SignLooks.vue'
import type { FactIssues } from '../../facts/factIssues.ts'
import { numberTyped } from '../../draft/readEntry.ts'
import type { ShotDraft } from '../../draft/shotDraft.ts'
import type { ClockPhase } from '../../run/useClockReading.ts'

const props = defineProps<{
  phase: ClockPhase
  recipe: Recipe | null
  /** Whether nobody looks for a scale under the cup. */
  isLineFirst: boolean
  issues: FactIssues
}>()
const draft = defineModel<ShotDraft>({ required: true })
const { t } = useI18n()
const format = useFormat()
const { yieldOf } = useTargetWords()
const academy = useAcademy()

const machine = computed(() => academy.machine(draft.value.machineId))
/** Where the machine stops by itself nobody is told to. */
const stopsItself = computed(() => academy.machineKnown(draft.value.machineId)?.stopsItself === true)
const usual = computed(() => draft.value.noted.usualCupG)
/** The button that suits the basket in the group. */
const button = computed(() => academy.buttonsAt(draft.value).its?.name ?? null)
const cueKey = computed(() => {
  if (props.phase === 'before' && stopsItself.value && button.value !== null) return 'pull.pressButton'
  if (props.phase !== 'flowing') return `pull.${props.phase}` as const
  if (stopsItself.value) return usual.value === null ? 'pull.stopsItself' : 'pull.stopsUsual'
  if (props.recipe?.school?.volume) return 'pull.flowingVolume'
  if (props.isLineFirst) return 'pull.flowingLine'
  // The number at which to stop is help; without it one knows the target, and that it drips.
  return draft.value.noted.isHelped === false ? 'pull.flowing' : 'pull.flowingTo'
})
/** What this machine's last stops let drip, or what usually drips. */
const leadG = computed(() => stopLead(academy.leadsOf(draft.value.machineId)))
const cue = computed(() =>
  t(cueKey.value, {
    target: props.recipe ? yieldOf(props.recipe) : '',
    usual: usual.value === null ? '' : format.mass(usual.value),
    button: button.value ?? '',
    at: props.recipe ? format.mass(props.recipe.yieldG - leadG.value) : '',
    lead: format.mass(leadG.value),
  }),
)
/** Stop and final weight, both kept, and what fell between. */
const settledWords = computed(() => {
  const { mass } = draft.value.units
  const shown = numberTyped(draft.value.texts.weightAtStopG)
  if (props.phase !== 'stopped' || shown === null) return ''
  const atStop = format.mass(toBase(mass, shown))
  return draft.value.clock.lastDripText === ''
    ? t('pull.dripping', { atStop })
    : t('pull.settled', {
        atStop,
        final: `${draft.value.cup.netText} ${t(`unit.${mass}`)}`,
      })
})
/** Before anybody loosens the portafilter, by the very signs that the reading goes by. */
const caution = computed(() => {
  const { abandoned, clock, noted, machineId } = draft.value
  const signs = {
    abandoned,
    firstDrop: clock.unmarkedDrop,
    firstDropS: numberTyped(clock.firstDropText),
    isDripping: noted.marks.some(({ mark }) => mark === 'dripping'),
  }
  const mayHold = mayHoldPressure(signs, props.recipe)
  return pressureCaution({ mayHold, isPulled: props.phase === 'stopped' }, academy.machineKnown(machineId))
})
const unmarked = computed(() => [
  { value: 'missed' as const, label: t('pull.missed') },
  { value: 'none' as const, label: t('pull.none') },
])
const gaveUp = computed(() => [
  { value: null, label: t('pull.notGivenUp') },
  ...ABANDONMENTS.map((value) => ({ value, label: t(`fact.abandoned.is.${value}`) })),
])
</script>

<template>
  <div class="pull">
    <p class="cue" role="status">{{ cue }}</p>
    <p v-if="phase === 'before'" class="soft">{{ t('bar.cautionHot') }}</p>
    <p v-if="phase === 'before' && machine?.isSelfFilling" class="soft">{{ t('pull.fillsItself') }}</p>
    <p v-if="draft.noted.lockToStartS !== null" class="soft">
      {{ t('pull.lockToStart', { s: draft.noted.lockToStartS }) }}
    </p>
    <p v-if="settledWords" role="status">{{ settledWords }}</p>
    <p v-if="caution" class="caution" role="note">{{ t(`pressure.${caution}`) }}</p>
    <template v-if="phase === 'stopped'">
      <ChoiceRow
        v-if="draft.clock.firstDropText === ''"
        v-model="draft.clock.unmarkedDrop"
        :label="t('pull.unmarked')"
        :options="unmarked"
      />
      <ChoiceRow v-model="draft.abandoned" :label="t('pull.gaveUp')" :options="gaveUp" />
      <FactFields v-model="draft" step="pull" place="first" :issues="issues" />
      <FactFields v-model="draft" step="pull" place="more" :issues="issues" />
      <SignLooks v-model="draft" step="pull" :is-measured="draft.clock.stopText !== ''" />
    </template>
    <div v-if="phase === 'stopped' || phase === 'before'" class="times">
      <NumberEntry
        v-if="recipe?.clock === 'pressure' || draft.clock.releaseText !== ''"
        v-model="draft.clock.releaseText"
        :label="t('field.release')"
        :suffix="t('unit.s')"
        :issue="issues('release')"
      />
      <NumberEntry
        v-model="draft.clock.firstDropText"
        :label="t('field.firstDrop')"
        :suffix="t('unit.s')"
        :issue="issues('firstDrop')"
      />
      <NumberEntry
        v-model="draft.clock.stopText"
        :label="t('field.stop')"
        :suffix="t('unit.s')"
        :issue="issues('stop')"
      />
      <p class="soft hint">
        {{ t('pull.mend') }} <template v-if="recipe?.clock === 'drop'">{{ t('pull.fromDrop') }}</template>
      </p>
    </div>
  </div>
</template>

<style scoped>
.pull {
  display: grid;
  gap: 16px;
}
.cue {
  font-size: 1.2em;
  margin: 0;
}
.times {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px 12px;
}
.caution {
  margin: 0;
  padding: 8px 12px;
  border-left: 6px solid var(--plum);
  background: var(--plum-soft);
}
.hint {
  grid-column: 1 / -1;
  font-size: 0.8em;
}
</style>
