<script setup lang="ts">
import { type PreparedKind, kindOf } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, reactive } from 'vue'
import { useI18n } from 'vue-i18n'
import FormFailure from '../../kit/forms/FormFailure.vue'
import { useForm } from '../../kit/forms/useForm.ts'
import { asPlain } from '../../data/device/deviceDatabase.ts'
import FieldsOf from './fields/FieldsOf.vue'
import { provideFields } from './fields/fieldContext.ts'
import { fieldsOf } from './fields/fieldSpec.ts'

/** The form of one thing, made from the contract's schema of its kind. What was typed stays until it is stored or left. */
const props = defineProps<{
  kind: PreparedKind
  start: Record<string, unknown>
  /** Stores it; what it throws is said in the form. */
  store: (content: Record<string, unknown>) => Promise<unknown>
  saveLabel: string
  choices?: Record<string, readonly { value: string; label: string }[]>
  /** Paths that the slots show in a way of their own. */
  omitted?: readonly string[]
}>()
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
const { issues, failure, isBusy, submit } = useForm()
const draft = reactive(asPlain(props.start))
const { content: schema } = kindOf(props.kind)
const fields = fieldsOf(schema)

provideFields({
  kind: props.kind,
  // The server names fields from the whole request, the schema from the content.
  issues: computed(() =>
    Object.fromEntries(
      Object.entries(issues.value).map(([path, says]) => [path.replace(/^(thing\.)?content\./, ''), says]),
    ),
  ),
  choices: computed(() => props.choices ?? {}),
  omitted: props.omitted ?? [],
})

/** For what the page shows in a way of its own: takes parts of the content as they should be. */
function change(parts: Record<string, unknown>): void {
  Object.assign(draft, parts)
}

async function save(): Promise<void> {
  await submit(schema, asPlain(draft), (content) => props.store(content))
}
</script>

<template>
  <form class="thing" novalidate @submit.prevent="save">
    <slot name="top" :draft="draft" :issues="issues" :change="change" />
    <FieldsOf :model-value="draft" :fields="fields" />
    <slot name="below" :draft="draft" :issues="issues" :change="change" />
    <FormFailure :says="failure" />
    <div class="actions end">
      <PressButton kind="primary" type="submit" :is-busy="isBusy">{{ saveLabel }}</PressButton>
      <PressButton @click="emit('close')">{{ t('prepared.leaveAsWas') }}</PressButton>
    </div>
  </form>
</template>

<style scoped>
.thing {
  display: grid;
  gap: 20px;
}
/* Always in reach, however long the form. */
.end {
  position: sticky;
  bottom: 0;
  padding: 12px 0;
  background: var(--paper);
  border-top: 1px solid var(--mist);
}
</style>
