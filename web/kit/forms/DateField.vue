<script setup lang="ts">
import { useId } from 'vue'

/** A date by the browser's own picker; empty where none is chosen. */
defineProps<{ label: string }>()
const date = defineModel<string>({ required: true })
const id = useId()
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <input :id="id" v-model="date" class="native" type="date" />
  </div>
</template>

<style scoped>
label {
  display: block;
  margin-bottom: 4px;
}
</style>
