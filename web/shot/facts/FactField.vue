<script setup lang="ts">
import type { FactRow } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'
import NumberEntry from '../../kit/parts/NumberEntry.vue'
import type { ShotDraft } from '../draft/shotDraft.ts'
import { useAnswers } from '../entry/useAnswers.ts'
import { answerIn, answered, textIn, typedAs } from './draftAnswers.ts'
import { type PlacedRow, typedUnit } from './factRows.ts'

/** Asks for one fact of the table, in the way its kind is asked for. */
const props = defineProps<{ placed: PlacedRow; issue?: string | undefined }>()
const draft = defineModel<ShotDraft>({ required: true })
const { t } = useI18n()
const yesOrNo = useAnswers()

const row = computed<FactRow>(() => props.placed.row)
const label = computed(() => t(`fact.${props.placed.name}.label`))
const options = computed(() =>
  row.value.kind === 'choice' || row.value.kind === 'several' ? row.value.of : [],
)
const word = (option: string) => t(`fact.${props.placed.name}.is.${option}`)
const choices = computed(() => [
  ...options.value.map((value) => ({ value, label: word(value) })),
  { value: null, label: t('answer.unknown'), sign: '?' },
])
const suffix = computed(() => {
  const unit = row.value.kind === 'amount' ? typedUnit(row.value, draft.value.units) : null
  return unit === null ? '' : t(`unit.${unit}`)
})

const answer = computed({
  get: () => answerIn(draft.value, props.placed),
  set: (given) => answered(draft.value, props.placed, given),
})
const text = computed({
  get: () => textIn(draft.value, props.placed.name),
  set: (typed) => typedAs(draft.value, props.placed.name, typed),
})
const isYes = computed({
  get: () => (typeof answer.value === 'boolean' ? answer.value : null),
  set: (given: boolean | null) => (answer.value = given),
})
const chosen = computed({
  get: () => (typeof answer.value === 'string' ? answer.value : null),
  set: (given: string | null) => (answer.value = given),
})
const several = computed(() => (Array.isArray(answer.value) ? answer.value : []))

function toggle(option: string): void {
  answer.value = several.value.includes(option)
    ? several.value.filter((each) => each !== option)
    : [...several.value, option]
}
function rate(event: Event): void {
  if (event.target instanceof HTMLInputElement) answer.value = event.target.valueAsNumber
}
</script>

<template>
  <ChoiceRow v-if="row.kind === 'answer'" v-model="isYes" :label="label" :options="yesOrNo" is-inline />
  <ChoiceRow v-else-if="row.kind === 'choice'" v-model="chosen" :label="label" :options="choices" />
  <NumberEntry
    v-else-if="row.kind === 'amount'"
    v-model="text"
    :label="label"
    :suffix="suffix"
    :issue="issue"
  />
  <fieldset v-else-if="row.kind === 'several'">
    <legend>{{ label }}</legend>
    <label v-for="option in options" :key="option" class="tick">
      <input type="checkbox" :checked="several.includes(option)" @change="toggle(option)" />{{ word(option) }}
    </label>
  </fieldset>
  <label v-else class="rate">
    {{ label }}: {{ answer ?? '–' }}
    <input
      type="range"
      :min="row.bounds.min"
      :max="row.bounds.max"
      step="1"
      :value="answer ?? (row.bounds.min + row.bounds.max) / 2"
      @input="rate"
      @click="rate"
    />
  </label>
</template>

<style scoped>
.tick {
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 48px;
}
.tick input {
  width: 28px;
  height: 28px;
  accent-color: var(--pine);
}
.rate {
  display: grid;
  margin: 8px 0;
}
.rate input {
  height: 44px;
  accent-color: var(--pine);
}
</style>
