<script setup lang="ts" generic="T extends string | boolean | null">
import { useId } from 'vue'

/** One question with a few answers side by side, each a touch target of its own. */
defineProps<{ label: string; options: readonly { value: T; label: string }[]; isLabelHidden?: boolean }>()
const chosen = defineModel<T>({ required: true })
const group = useId()
</script>

<template>
  <fieldset class="row">
    <legend :class="{ 'visually-hidden': isLabelHidden }">{{ label }}</legend>
    <div class="options">
      <label
        v-for="option in options"
        :key="String(option.value)"
        class="option"
        :class="{ chosen: chosen === option.value }"
      >
        <input v-model="chosen" type="radio" class="visually-hidden" :name="group" :value="option.value" />
        {{ option.label }}
      </label>
    </div>
  </fieldset>
</template>

<style scoped>
legend {
  margin-bottom: 4px;
}
.options {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
}
.option {
  position: relative;
  min-height: var(--touch, 44px);
  min-width: var(--touch, 44px);
  padding: 0 16px;
  display: inline-flex;
  align-items: center;
  justify-content: center;
  border: 2px solid var(--edge);
  border-radius: 8px;
  background: var(--raised);
  cursor: pointer;
  user-select: none;
}
.option.chosen {
  border-color: var(--pine);
  background: var(--pine-soft);
  font-weight: 700;
}
.option:has(:focus-visible) {
  outline: 3px solid var(--cornflower);
  outline-offset: 2px;
}
</style>
