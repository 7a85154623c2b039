<script setup lang="ts">
import { FLOW_MARKS, type FlowMark, type MarkAt } from '@calm-apron/core'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useFormat } from '../../kit/units/useFormat.ts'

/** What the stream looks like, by one tap each, with its instant: four in sight by what there is to see now, the rest behind. */
const props = defineProps<{ atS: number; isFlowing: boolean }>()
const marks = defineModel<MarkAt[]>({ required: true })
const { t } = useI18n()
const format = useFormat()

const BEFORE_THE_DROP: readonly FlowMark[] = ['drop-late', 'dripping', 'gauge-in-zone', 'gauge-low']
const WHILE_IT_FLOWS: readonly FlowMark[] = ['honey', 'spurting', 'one-side', 'pale']
const large = computed(() => (props.isFlowing ? WHILE_IT_FLOWS : BEFORE_THE_DROP))
const rest = computed(() => FLOW_MARKS.filter((mark) => !large.value.includes(mark)))
const lastWords = computed(() => {
  const last = marks.value.at(-1)
  return last ? t('mark.last', { mark: t(`mark.${last.mark}`), at: format.seconds(last.atS) }) : ''
})
const isSet = (mark: FlowMark) => marks.value.some((each) => each.mark === mark)

function add(mark: FlowMark): void {
  marks.value = [...marks.value, { mark, atS: Math.round(props.atS * 10) / 10 }]
}
</script>

<template>
  <div class="marks" role="group" :aria-label="t('mark.title')">
    <button
      v-for="mark in large"
      :key="mark"
      type="button"
      class="mark large"
      :class="{ set: isSet(mark) }"
      @click="add(mark)"
    >
      {{ t(`mark.${mark}`) }}
    </button>
    <details class="others">
      <summary>{{ t('mark.others') }}</summary>
      <div class="rest">
        <button
          v-for="mark in rest"
          :key="mark"
          type="button"
          class="mark"
          :class="{ set: isSet(mark) }"
          @click="add(mark)"
        >
          {{ t(`mark.${mark}`) }}
        </button>
      </div>
    </details>
    <p class="last" role="status">
      {{ lastWords }}
      <PressButton v-if="marks.length > 0" kind="text" class="back" @click="marks = marks.slice(0, -1)">{{
        t('mark.takeBack')
      }}</PressButton>
    </p>
  </div>
</template>

<style scoped>
.marks {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 12px;
  margin-top: 8px;
}
.mark {
  min-height: 56px;
  padding: 0 4px;
  border: 2px solid var(--edge);
  border-radius: 8px;
  background: var(--raised);
  color: inherit;
  font: inherit;
  font-size: 0.75em;
  line-height: 1.1;
  cursor: pointer;
}
.mark.large {
  min-height: 72px;
  font-size: 0.9em;
}
.others {
  grid-column: 1 / -1;
}
.rest {
  display: grid;
  grid-template-columns: repeat(5, 1fr);
  gap: 12px;
}
.mark.set {
  border-color: var(--pine);
  background: var(--pine-soft);
  font-weight: 700;
}
.last {
  grid-column: 1 / -1;
  min-height: 44px;
  margin: 0;
  font-size: 0.85em;
}
.back {
  height: 44px;
}
</style>
