<script setup lang="ts">
import { BOUNDS } from '@calm-apron/contract'
import { type WeightSeen, projectedFrom, roundG, toBase } from '@calm-apron/core'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import PressButton from '../../kit/parts/PressButton.vue'
import NumberEntry from '../../kit/parts/NumberEntry.vue'
import { useFormat } from '../../kit/units/useFormat.ts'
import { readNumber } from '../draft/readEntry.ts'
import type { ShotDraft } from '../draft/shotDraft.ts'
import { useIssueWords } from '../draft/useIssueWords.ts'

/** A scale that says nothing: what it shows is typed while the shot runs, and told when to stop. */
const props = defineProps<{
  /** s from pump start. */
  atS: number
  firstDropS: number | null
  /** At which weight the pump is to be stopped; null where nobody is told. */
  stopAtG: number | null
}>()
const draft = defineModel<ShotDraft>({ required: true })
const { t } = useI18n()
const format = useFormat()
const issueWords = useIssueWords()
const text = ref('')

const seen = computed(() => draft.value.noted.weightsSeen)
const read = computed(() =>
  readNumber(text.value, BOUNDS.cupNetG, (shown) => roundG(toBase(draft.value.units.mass, shown))),
)
const isWeight = computed(() => read.value.value !== null && read.value.issue === null)

function note(): void {
  const weightG = read.value.value
  if (weightG === null || !isWeight.value) return
  const atS = Math.round(props.atS * 10) / 10
  const before = seen.value.filter((each: WeightSeen) => each.atS < atS)
  draft.value.noted.weightsSeen = [...before, { atS, weightG }].slice(-BOUNDS.marks.max)
  text.value = ''
}

const says = computed(() => {
  const last = seen.value.at(-1)
  if (last === undefined) return ''
  const lastWords = t('weightsSeen.last', { weight: format.mass(last.weightG), at: format.seconds(last.atS) })
  if (props.stopAtG === null) return lastWords
  const finishS = projectedFrom(seen.value, props.firstDropS, props.stopAtG)
  return finishS === null
    ? lastWords
    : t('weightsSeen.finish', {
        last: lastWords,
        stop: format.mass(props.stopAtG),
        finish: format.seconds(finishS),
      })
})
</script>

<template>
  <form class="seen" novalidate @submit.prevent="note">
    <NumberEntry
      v-model="text"
      :label="t('weightsSeen.label')"
      :suffix="t(`unit.${draft.units.mass}`)"
      :issue="issueWords(read.issue, draft.units.mass)"
    />
    <PressButton type="submit" :disabled="!isWeight">{{ t('weightsSeen.note') }}</PressButton>
    <p v-if="says" class="says" role="status">{{ says }}</p>
  </form>
</template>

<style scoped>
.seen {
  display: grid;
  grid-template-columns: minmax(0, 200px) auto 1fr;
  gap: 4px 16px;
  align-items: end;
  margin-top: 12px;
}
.seen :deep(.press-button) {
  min-height: 56px;
}
.says {
  grid-column: 1 / -1;
  margin: 0;
}
</style>
