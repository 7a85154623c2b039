<script setup lang="ts">
import LineIcon from '../../kit/parts/LineIcon.vue'
import type { RoutineStep } from '@calm-apron/contract'
import { type AllStepsSeen, markOf } from '@calm-apron/core'
import { useMediaQuery } from '@vueuse/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import type { BarStep } from '@calm-apron/core'
import StepTicks from '../../shot/entry/StepTicks.vue'
import type { StepBench } from '../../shot/routine/stepBench.ts'

/** The steps in their order; each can be gone back to. What the routine asks for at one opens below it. */
const props = defineProps<{
  steps: readonly BarStep[]
  done: ReadonlySet<BarStep>
  summaries: Partial<Record<BarStep, string>>
  routineSteps: Partial<Record<BarStep, readonly RoutineStep[]>>
  /** Where the order is kept: what waits to be marked, and whether a stage waits for it. */
  waitsFor: RoutineStep | null
  isWaiting: (stage: BarStep) => boolean
  bench: StepBench
}>()
const step = defineModel<BarStep>({ required: true })
const seen = defineModel<AllStepsSeen>('seen', { required: true })
const { t } = useI18n()
/** Where the steps lie in one row there is no room below each. */
const isRow = useMediaQuery('(max-width: 1100px)')
const here = computed(() => props.routineSteps[step.value] ?? [])
const doneHere = computed(() => here.value.filter((each) => markOf(seen.value, each) !== null).length)
</script>

<template>
  <ol class="steps">
    <li v-for="(each, index) in steps" :key="each">
      <button
        type="button"
        class="step"
        :class="{ current: each === step }"
        :aria-current="each === step ? 'step' : undefined"
        :disabled="isWaiting(each)"
        @click="step = each"
      >
        <span class="no figure" :class="{ done: done.has(each) }">
          <LineIcon v-if="done.has(each)" sign="check" />
          <template v-else>{{ index + 1 }}</template>
        </span>
        <span class="name">{{ t(`step.${each}`) }}</span>
        <span v-if="summaries[each]" class="summary" :class="{ figure: /\d/.test(summaries[each] ?? '') }">{{
          summaries[each]
        }}</span>
      </button>
      <StepTicks
        v-if="each === step && !isRow && here.length > 0"
        v-model="seen"
        :steps="here"
        :waits-for="waitsFor"
        :bench="bench"
      />
    </li>
  </ol>
  <details v-if="isRow && here.length > 0" class="beneath">
    <summary>{{ t('bar.stepsOf', { done: doneHere, all: here.length }) }}</summary>
    <StepTicks v-model="seen" :steps="here" :waits-for="waitsFor" :bench="bench" />
  </details>
</template>

<style scoped>
.steps {
  display: grid;
  gap: 4px;
}
.step {
  width: 100%;
  min-height: var(--touch);
  display: grid;
  grid-template-columns: 36px 1fr auto;
  align-items: center;
  gap: 8px;
  padding: 0 12px 0 8px;
  border: 2px solid transparent;
  border-radius: 8px;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.step.current {
  border-color: var(--pine);
  background: var(--pine-soft);
  font-weight: 700;
}
.step:disabled {
  color: var(--ink-soft);
  cursor: default;
}
.no {
  width: 32px;
  height: 32px;
  display: grid;
  place-items: center;
  border: 2px solid var(--edge);
  border-radius: 50%;
  font-size: 0.8em;
}
.no.done {
  border-color: var(--pine);
  background: var(--pine);
  color: var(--paper);
}
.summary {
  font-size: 0.8em;
  white-space: nowrap;
}
@media (max-width: 1100px) {
  .beneath {
    padding: 4px 12px;
    font-size: 0.9em;
  }
  .steps {
    position: relative;
    grid-auto-flow: column;
    overflow-x: auto;
    padding: 4px;
  }
  .name {
    white-space: nowrap;
  }
}
</style>
