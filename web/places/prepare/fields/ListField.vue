<script setup lang="ts">
import PressButton from '../../../kit/parts/PressButton.vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import TermNote from '../../../kit/glossary/TermNote.vue'
import { termsOf } from '../../../kit/glossary/terms.ts'
import FieldsOf from './FieldsOf.vue'
import { emptyPart } from './emptyParts.ts'
import { useFieldContext } from './fieldContext.ts'
import type { FieldSpec } from './fieldSpec.ts'
import { useFieldWords } from './useFieldWords.ts'

/** A list of like parts, each of which can be added, moved up and taken out. */
const props = defineProps<{ spec: Extract<FieldSpec, { type: 'list' }>; path: string }>()
const value = defineModel<unknown>({ required: true })
const { t } = useI18n()
const { kind, issues } = useFieldContext()
const words = useFieldWords(kind)

const label = computed(() => words.label(props.path))
const hint = computed(() => words.hint(props.path))
const items = computed<Record<string, unknown>[]>(() =>
  Array.isArray(value.value) ? value.value.filter(isPart) : [],
)

function isPart(some: unknown): some is Record<string, unknown> {
  return typeof some === 'object' && some !== null
}
function add(): void {
  value.value = [...items.value, emptyPart(kind, props.spec.name)]
}
function remove(index: number): void {
  value.value = items.value.filter((_, at) => at !== index)
}
function moveUp(index: number): void {
  const moved = items.value[index]
  if (moved) value.value = items.value.toSpliced(index, 1).toSpliced(index - 1, 0, moved)
}
</script>

<template>
  <fieldset class="list">
    <legend>{{ label }} <TermNote v-for="term in termsOf(spec.name)" :key="term" :term="term" /></legend>
    <p v-if="hint" class="soft hint">{{ hint }}</p>
    <p v-if="issues[path]" class="issue" role="alert">{{ issues[path] }}</p>
    <div
      v-for="(item, index) in items"
      :key="index"
      class="item"
      role="group"
      :aria-label="`${label} ${index + 1}`"
    >
      <FieldsOf :model-value="item" :fields="spec.fields" :path="`${path}.${index}`" />
      <div class="actions">
        <PressButton v-if="index > 0" @click="moveUp(index)">{{ t('prepared.moveUp') }}</PressButton>
        <PressButton @click="remove(index)">{{ t('prepared.takeOut') }}</PressButton>
      </div>
    </div>
    <div>
      <PressButton @click="add">{{ t('prepared.addTo', { list: label.toLowerCase() }) }}</PressButton>
    </div>
  </fieldset>
</template>

<style scoped>
.list {
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
.item {
  display: grid;
  gap: 8px;
  padding: 12px 0 12px 16px;
  border-left: 3px solid var(--mist);
}
.issue {
  color: var(--plum);
  margin: 0;
}
</style>
