<script setup lang="ts">
import { computed, useId } from 'vue'
import TextInput from './TextInput.vue'

/** A line typed by hand; what is wrong with it stands right below it. */
const props = defineProps<{
  label: string
  hint?: string | undefined
  issue?: string | undefined
  type?: 'text' | 'password'
  autocomplete?: string
  inputmode?: 'text' | 'email' | 'numeric' | 'decimal'
  maxlength?: number
  /** Its unit. */
  suffix?: string | undefined
}>()
const text = defineModel<string>({ required: true })
const id = useId()
/** Given only where they are said: the library takes no undefined. */
const extras = computed(() => ({
  ...(props.maxlength !== undefined && { maxlength: props.maxlength }),
  ...(props.suffix !== undefined && { suffix: props.suffix }),
}))
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <TextInput
      :id="id"
      v-model="text"
      :type="type ?? 'text'"
      :autocomplete="autocomplete ?? 'off'"
      :inputmode="inputmode ?? 'text'"
      v-bind="extras"
      :spellcheck="false"
      :status="issue ? 'error' : ''"
      :aria-invalid="issue ? true : undefined"
      :aria-describedby="issue ? `${id}-issue` : hint ? `${id}-hint` : undefined"
    />
    <p v-if="issue" :id="`${id}-issue`" class="issue" role="alert">{{ issue }}</p>
    <p v-else-if="hint" :id="`${id}-hint`" class="soft hint">{{ hint }}</p>
  </div>
</template>

<style scoped>
.field {
  min-width: 0;
  max-width: 480px;
}
label {
  display: block;
  margin-bottom: 4px;
}
.issue {
  color: var(--plum);
  margin: 4px 0 0;
  line-height: 1.25;
}
.hint {
  font-size: 0.875em;
  margin: 4px 0 0;
}
</style>
