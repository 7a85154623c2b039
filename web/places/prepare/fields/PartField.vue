<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../../kit/parts/ChoiceRow.vue'
import TermNote from '../../../kit/glossary/TermNote.vue'
import { termsOf } from '../../../kit/glossary/terms.ts'
import FieldsOf from './FieldsOf.vue'
import { emptyPart } from './emptyParts.ts'
import { useFieldContext } from './fieldContext.ts'
import type { FieldSpec } from './fieldSpec.ts'
import { useFieldWords } from './useFieldWords.ts'

/** A part with fields of its own; one that may be left out is asked for first. */
const props = defineProps<{ spec: Extract<FieldSpec, { type: 'object' }>; path: string }>()
const value = defineModel<unknown>({ required: true })
const { t } = useI18n()
const { kind } = useFieldContext()
const words = useFieldWords(kind)

const label = computed(() => words.label(props.path))
const hint = computed(() => words.hint(props.path))
const part = computed(() => (isObject(value.value) ? value.value : null))
/** A part that is newer than what was kept is not there. */
const isThere = computed({
  get: () => part.value !== null,
  set: (wanted: boolean) => (value.value = wanted ? emptyPart(kind, props.spec.name) : null),
})

function isObject(some: unknown): some is Record<string, unknown> {
  return typeof some === 'object' && some !== null
}
</script>

<template>
  <fieldset class="part">
    <legend>{{ label }} <TermNote v-for="term in termsOf(spec.name)" :key="term" :term="term" /></legend>
    <p v-if="hint" class="soft hint">{{ hint }}</p>
    <ChoiceRow
      v-if="spec.isNullable"
      v-model="isThere"
      :label="label"
      is-label-hidden
      :options="[
        { value: true, label: t('prepared.yes') },
        { value: false, label: t('prepared.no') },
      ]"
    />
    <FieldsOf v-if="part" :model-value="part" :fields="spec.fields" :path="path" />
  </fieldset>
</template>

<style scoped>
.part {
  display: grid;
  gap: 12px;
  padding-top: 16px;
  border-top: 1px solid var(--mist);
}
legend {
  float: left;
  width: 100%;
  font-size: 1.125rem;
  font-weight: 650;
}
.hint {
  margin: 0;
}
</style>
