<script setup lang="ts">
/** Any number of a few choices. */
defineProps<{ label: string; options: readonly { value: string; label: string }[] }>()
const chosen = defineModel<string[]>({ required: true })
</script>

<template>
  <fieldset>
    <legend>{{ label }}</legend>
    <div class="options">
      <label v-for="option in options" :key="option.value">
        <input v-model="chosen" type="checkbox" :value="option.value" />{{ option.label }}
      </label>
    </div>
  </fieldset>
</template>

<style scoped>
.options {
  display: flex;
  flex-wrap: wrap;
  gap: 0 20px;
}
label {
  display: inline-flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
}
input {
  width: 20px;
  height: 20px;
  accent-color: var(--pine);
}
</style>
