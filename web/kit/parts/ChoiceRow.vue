<script setup lang="ts" generic="T extends string | boolean | null">
import { useId } from 'vue'

/** One question with a few answers side by side, each a touch target of its own. */
defineProps<{
  label: string
  /** `sign` is shown in place of a label that is too long for its button. */
  options: readonly { value: T; label: string; sign?: string }[]
  isLabelHidden?: boolean
  /** Question and answers on one line. */
  isInline?: boolean
}>()
const chosen = defineModel<T>({ required: true })
const group = useId()
</script>

<template>
  <fieldset class="row" :class="{ inline: isInline }">
    <legend :class="{ 'visually-hidden': isLabelHidden }">{{ label }}</legend>
    <div class="options">
      <label
        v-for="option in options"
        :key="String(option.value)"
        class="option"
        :class="{ chosen: chosen === option.value }"
      >
        <input v-model="chosen" type="radio" class="covers-label" :name="group" :value="option.value" />
        <template v-if="option.sign">
          <span aria-hidden="true">{{ option.sign }}</span>
          <span class="visually-hidden">{{ option.label }}</span>
        </template>
        <template v-else>{{ option.label }}</template>
      </label>
    </div>
  </fieldset>
</template>

<style scoped>
legend {
  margin-bottom: 4px;
}
/* A legend can't be a flex item; floated it stands on the line of its answers. */
.inline legend {
  float: left;
  width: calc(100% - 3 * var(--touch, 44px) - 44px);
  min-height: var(--touch, 44px);
  margin: 0;
  display: flex;
  align-items: center;
  line-height: 1.2;
}
.inline .options {
  flex-wrap: nowrap;
  justify-content: flex-end;
}
.inline .option {
  padding: 0 8px;
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
