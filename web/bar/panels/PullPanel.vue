<script setup lang="ts">
import { ABANDONMENTS, type Recipe } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../parts/ChoiceRow.vue'
import NumberEntry from '../../parts/NumberEntry.vue'
import { useFormat } from '../../units/useFormat.ts'
import type { ShotDraft } from '../shotDraft.ts'
import type { ClockPhase } from '../useShotClock.ts'

const props = defineProps<{
  phase: ClockPhase
  recipe: Recipe | null
  firstDropIssue: string | undefined
  stopIssue: string | undefined
}>()
const draft = defineModel<ShotDraft>({ required: true })
const { t } = useI18n()
const format = useFormat()

const cue = computed(() =>
  t(`pull.${props.phase}`, { target: props.recipe ? format.mass(props.recipe.yieldG) : '' }),
)
const unmarked = computed(() => [
  { value: 'missed' as const, label: t('pull.missed') },
  { value: 'none' as const, label: t('pull.none') },
])
const gaveUp = computed(() => [
  { value: null, label: t('pull.notGivenUp') },
  ...ABANDONMENTS.map((value) => ({ value, label: t(`abandoned.${value}`) })),
])
</script>

<template>
  <div class="pull">
    <p class="cue" role="status">{{ cue }}</p>
    <p v-if="phase === 'before'" class="soft">{{ t('bar.cautionHot') }}</p>
    <template v-if="phase === 'stopped'">
      <ChoiceRow
        v-if="draft.clock.firstDropText === ''"
        v-model="draft.clock.unmarkedDrop"
        :label="t('pull.unmarked')"
        :options="unmarked"
      />
      <ChoiceRow v-model="draft.abandoned" :label="t('pull.gaveUp')" :options="gaveUp" />
    </template>
    <div v-if="phase === 'stopped' || phase === 'before'" class="times">
      <NumberEntry
        v-model="draft.clock.firstDropText"
        :label="t('field.firstDrop')"
        :suffix="t('unit.s')"
        :issue="firstDropIssue"
      />
      <NumberEntry
        v-model="draft.clock.stopText"
        :label="t('field.stop')"
        :suffix="t('unit.s')"
        :issue="stopIssue"
      />
      <p class="soft hint">{{ t('pull.mend') }}</p>
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
.hint {
  grid-column: 1 / -1;
  font-size: 0.8em;
}
</style>
