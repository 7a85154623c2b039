<script setup lang="ts">
import { computed, useId } from 'vue'

/** A date and time of day by the browser's own picker, where this device is. */
defineProps<{ label: string }>()
const instant = defineModel<string | null>({ required: true })
const id = useId()

const local = computed({
  get: () => {
    if (instant.value === null) return ''
    const at = new Date(instant.value)
    return new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16)
  },
  set: (typed) => (instant.value = typed === '' ? null : new Date(typed).toISOString()),
})
</script>

<template>
  <div>
    <label :for="id">{{ label }}</label>
    <input :id="id" v-model="local" class="native" type="datetime-local" />
  </div>
</template>

<style scoped>
label {
  display: block;
  margin-bottom: 4px;
}
</style>
