<script setup lang="ts" generic="T extends string">
import { useId } from 'vue'

/** One of a list that is too long for buttons. The browser's own, which every keyboard and phone knows. */
defineProps<{ label: string; options: readonly { value: T; label: string }[] }>()
const chosen = defineModel<T>({ required: true })
const id = useId()
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <select :id="id" v-model="chosen" class="native">
      <option v-for="option in options" :key="option.value" :value="option.value">{{ option.label }}</option>
    </select>
  </div>
</template>

<style scoped>
.field {
  min-width: 0;
}
label {
  display: block;
  margin-bottom: 4px;
}
</style>
