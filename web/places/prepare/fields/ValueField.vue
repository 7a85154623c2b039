<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import DateField from '../../../kit/forms/DateField.vue'
import FormField from '../../../kit/forms/FormField.vue'
import SelectField from '../../../kit/forms/SelectField.vue'
import ChoiceRow from '../../../kit/parts/ChoiceRow.vue'
import ChoicesField from './ChoicesField.vue'
import InstantField from './InstantField.vue'
import NumberField from './NumberField.vue'
import TermNote from '../../../kit/glossary/TermNote.vue'
import { termsOf } from '../../../kit/glossary/terms.ts'
import { useFieldContext } from './fieldContext.ts'
import type { FieldSpec } from './fieldSpec.ts'
import { useFieldWords } from './useFieldWords.ts'

/** One field, by what its schema takes. */
const props = defineProps<{ spec: FieldSpec; path: string }>()
const value = defineModel<unknown>({ required: true })
const { t } = useI18n()
const { kind, issues, choices } = useFieldContext()
const words = useFieldWords(kind)

/** More than fit side by side stand in a list. */
const MOST_IN_A_ROW = 4

const label = computed(() => words.label(props.path))
const hint = computed(() => words.hint(props.path))
const issue = computed(() => issues.value[props.path])
const options = computed(() => {
  const { spec } = props
  if (spec.type === 'boolean') return []
  const none = spec.isNullable ? [{ value: '', label: t('prepared.notSaid') }] : []
  if (spec.type === 'id') return [...none, ...(choices.value[spec.name] ?? [])]
  if (spec.type !== 'choice' && spec.type !== 'choices') return []
  return [
    ...none,
    ...spec.options.map((option) => ({ value: option, label: words.option(spec.name, option) })),
  ]
})
const yesNo = computed(() => [
  { value: true, label: t('prepared.yes') },
  { value: false, label: t('prepared.no') },
])

const text = computed({
  get: () => (typeof value.value === 'string' ? value.value : ''),
  set: (typed: string) => (value.value = typed === '' && props.spec.isNullable ? null : typed),
})
const number = computed({
  get: () => (typeof value.value === 'number' ? value.value : null),
  set: (typed: number | null) => (value.value = typed),
})
const flag = computed({
  get: () => value.value === true,
  set: (said: boolean) => (value.value = said),
})
const list = computed({
  get: () => (Array.isArray(value.value) ? value.value.map(String) : []),
  set: (said: string[]) => (value.value = said),
})
const instant = computed({
  get: () => (typeof value.value === 'string' ? value.value : null),
  set: (said: string | null) => (value.value = said),
})
const hinted = computed(() => (hint.value === undefined ? {} : { hint: hint.value }))
</script>

<template>
  <div class="value">
    <TermNote v-for="term in termsOf(spec.name)" :key="term" class="explained" :term="term" />
    <NumberField
      v-if="spec.type === 'number'"
      v-model="number"
      :name="spec.name"
      :label="label"
      :issue="issue"
      v-bind="hinted"
    />
    <ChoiceRow v-else-if="spec.type === 'boolean'" v-model="flag" :label="label" :options="yesNo" />
    <ChoicesField v-else-if="spec.type === 'choices'" v-model="list" :label="label" :options="options" />
    <SelectField
      v-else-if="spec.type === 'id' || (spec.type === 'choice' && options.length > MOST_IN_A_ROW)"
      v-model="text"
      :label="label"
      :options="options"
    />
    <ChoiceRow v-else-if="spec.type === 'choice'" v-model="text" :label="label" :options="options" />
    <DateField v-else-if="spec.type === 'date'" v-model="text" :label="label" />
    <InstantField v-else-if="spec.type === 'instant'" v-model="instant" :label="label" />
    <FormField v-else v-model="text" :label="label" :issue="issue" v-bind="hinted" />
    <p v-if="issue && !['number', 'text'].includes(spec.type)" class="issue" role="alert">{{ issue }}</p>
    <p v-else-if="hint && !['number', 'text'].includes(spec.type)" class="soft hint">{{ hint }}</p>
  </div>
</template>

<style scoped>
.value {
  position: relative;
}
.explained {
  float: right;
}
.issue {
  color: var(--plum);
  margin: 4px 0 0;
}
.hint {
  font-size: 0.875em;
  margin: 4px 0 0;
}
</style>
