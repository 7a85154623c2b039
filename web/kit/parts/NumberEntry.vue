<script setup lang="ts">
import FormField from '../forms/FormField.vue'

/** A number typed by hand, kept as typed; what is wrong with it stands right below it. */
defineProps<{
  label: string
  suffix?: string
  hint?: string | undefined
  issue?: string | undefined
  /** Letters stand beside its numbers. */
  hasLetters?: boolean
}>()
const text = defineModel<string>({ required: true })
</script>

<template>
  <FormField
    v-model="text"
    class="entry"
    :label="label"
    :hint="hint"
    :issue="issue"
    :suffix="suffix"
    :inputmode="hasLetters ? 'text' : 'decimal'"
  />
</template>

<style scoped>
.entry :deep(.ant-input) {
  font-family: var(--figure-font);
  font-variant-numeric: tabular-nums;
}
</style>
