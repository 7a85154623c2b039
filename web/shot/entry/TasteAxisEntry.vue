<script setup lang="ts">
import LineIcon from '../../kit/parts/LineIcon.vue'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, useId } from 'vue'
import { useI18n } from 'vue-i18n'

const UNTOUCHED = 5

/** One taste axis 0–10; untouched it is "not tasted", never 5. */
defineProps<{ label: string }>()
const value = defineModel<number | null>({ required: true })
const { t } = useI18n()
const id = useId()

const shown = computed(() => (value.value === null ? t('taste.none') : String(value.value)))
const position = computed(() => value.value ?? UNTOUCHED)

function take(event: Event): void {
  if (event.target instanceof HTMLInputElement) value.value = event.target.valueAsNumber
}
</script>

<template>
  <div class="axis">
    <label :for="id">{{ label }}</label>
    <span class="figure shown" :class="{ soft: value === null }">{{ shown }}</span>
    <input
      :id="id"
      type="range"
      min="0"
      max="10"
      step="1"
      :value="position"
      :class="{ untouched: value === null }"
      :aria-valuetext="shown"
      @input="take"
      @click="take"
      @keydown.enter="take"
    />
    <PressButton
      kind="text"
      class="clear"
      :class="{ hidden: value === null }"
      :disabled="value === null"
      :aria-label="t('taste.clear', { axis: label })"
      @click="value = null"
    >
      <template #icon><LineIcon sign="close" /></template>
    </PressButton>
  </div>
</template>

<style scoped>
.axis {
  display: grid;
  grid-template: 'label shown .' auto 'range range clear' auto / 1fr auto var(--touch, 44px);
  align-items: center;
  column-gap: 12px;
}
.shown {
  grid-area: shown;
  font-weight: 700;
}
.shown.soft {
  font-weight: 400;
  font-family: var(--text-font);
}
input {
  grid-area: range;
  width: 100%;
  height: 44px;
  margin: 0;
  appearance: none;
  background: transparent;
  cursor: pointer;
}
input::-webkit-slider-runnable-track {
  height: 10px;
  border-radius: 5px;
  border: 2px solid var(--edge);
  background: var(--raised);
}
input::-moz-range-track {
  height: 8px;
  border-radius: 5px;
  border: 2px solid var(--edge);
  background: var(--raised);
}
input::-webkit-slider-thumb {
  appearance: none;
  width: 40px;
  height: 40px;
  margin-top: -17px;
  border-radius: 50%;
  border: 3px solid var(--paper);
  background: var(--pine);
}
input::-moz-range-thumb {
  width: 36px;
  height: 36px;
  border-radius: 50%;
  border: 3px solid var(--paper);
  background: var(--pine);
}
input.untouched::-webkit-slider-thumb {
  background: var(--paper);
  border: 3px dashed var(--edge);
}
input.untouched::-moz-range-thumb {
  background: var(--paper);
  border: 3px dashed var(--edge);
}
.clear {
  grid-area: clear;
}
.hidden {
  visibility: hidden;
}
</style>
