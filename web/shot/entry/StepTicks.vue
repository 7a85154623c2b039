<script setup lang="ts">
import type { RoutineStep } from '@calm-apron/contract'
import { type AllStepsSeen, allWatched, markOf, nextMark, withMarked } from '@calm-apron/core'
import { useLocalStorage } from '@vueuse/core'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import StepTimer from '../routine/StepTimer.vue'
import type { StepBench } from '../routine/stepBench.ts'
import { useStepWords } from '../routine/useStepWords.ts'

/**
 * What the routine asks for at one step of the bar, marked by exception: all done in a tap, then only what had to be said or was
 * left out. Each has its reason and common mistake on tap. Where the order is kept, a step waits for the one before it.
 */
const props = defineProps<{
  steps: readonly RoutineStep[]
  /** The only step that may be marked next; null or left out where any may. */
  waitsFor?: RoutineStep | null
  /** null where nothing is timed: somebody else's shot is watched. */
  bench: StepBench | null
}>()
const seen = defineModel<AllStepsSeen>({ required: true })
const { t } = useI18n()
const { said } = useStepWords()
const view = useLocalStorage<'short' | 'full'>('calm-apron.routine-view', 'short')

const rows = computed(() =>
  props.steps
    .map((step, index) => ({ step, index, mark: markOf(seen.value, step) }))
    // What others wait for is seen in the short view too.
    .filter(({ step }) => view.value === 'full' || step.isInShortView || step === props.waitsFor)
    .map(({ step, index, mark }) => ({
      step,
      mark,
      id: `${index} ${step.key ?? step.what}`,
      what: said(step, 'what'),
      reason: said(step, 'reason'),
      mistake: said(step, 'mistake'),
      caution: said(step, 'caution'),
      isHeld: isHeld(step),
      isTimed: props.bench !== null && step.timer !== 'none' && mark === null,
    })),
)
const hasMore = computed(() => props.steps.some(({ isInShortView }) => !isInShortView))
const areAllMarked = computed(() => props.steps.every((step) => markOf(seen.value, step) !== null))
/** A whole stage is done in a tap, unless something before it is not. */
const mayAll = computed(() => props.waitsFor == null || props.steps.includes(props.waitsFor))
const lacking = computed(() => props.bench?.lacking.join(', ') ?? '')

function isHeld(step: RoutineStep): boolean {
  return props.waitsFor != null && props.waitsFor !== step && markOf(seen.value, step) === null
}
function tap(step: RoutineStep): void {
  seen.value = withMarked(seen.value, step, nextMark(markOf(seen.value, step)))
}
</script>

<template>
  <div class="watched">
    <PressButton
      v-if="steps.length > 0 && !areAllMarked"
      class="all"
      :disabled="!mayAll"
      @click="seen = allWatched(seen, steps)"
      >{{ t('bar.allWatched') }}</PressButton
    >
    <ul class="ticks">
      <li v-for="row in rows" :key="row.id" :class="{ held: row.isHeld }">
        <div class="row">
          <button
            type="button"
            class="mark"
            :class="row.mark ?? 'unmarked'"
            :disabled="row.isHeld"
            :aria-label="t('bar.stepIs', { step: row.what, mark: t(`stepMark.${row.mark ?? 'unmarked'}`) })"
            @click="tap(row.step)"
          >
            <span aria-hidden="true">{{ t(`stepSign.${row.mark ?? 'unmarked'}`) }}</span>
          </button>
          <details>
            <summary :class="{ done: row.mark === 'done' }">
              {{ row.what }}
              <span v-if="row.step.observedBy === 'self'" class="soft">{{ t('waits.self') }}</span>
              <span v-if="row.mark && row.mark !== 'done'" class="says">{{ t(`stepMark.${row.mark}`) }}</span>
            </summary>
            <p v-if="row.reason">{{ row.reason }}</p>
            <p v-if="row.mistake" class="soft">{{ t('bar.oftenWrong', { mistake: row.mistake }) }}</p>
          </details>
        </div>
        <p v-if="row.step.key === 'bench-ready' && lacking" class="caution">
          {{ t('waits.lacking', { what: lacking }) }}
        </p>
        <StepTimer
          v-if="row.isTimed && bench"
          :step="row.step"
          :bench="bench"
          @done="seen = withMarked(seen, row.step, 'done')"
        />
        <p v-if="row.caution" class="caution" :class="{ safety: row.step.isSafety }">{{ row.caution }}</p>
      </li>
    </ul>
    <PressButton v-if="hasMore" kind="text" class="view" @click="view = view === 'full' ? 'short' : 'full'">
      {{ t(view === 'full' ? 'bar.fewSteps' : 'bar.allSteps') }}
    </PressButton>
  </div>
</template>

<style scoped>
.watched {
  padding-left: 12px;
}
.all {
  margin-top: 8px;
  height: 44px;
  font-size: 0.8em;
}
.ticks {
  padding: 4px 0;
  font-size: 0.8em;
}
.row {
  margin-bottom: 4px;
  display: flex;
  align-items: flex-start;
  gap: 8px;
}
.mark {
  flex: none;
  width: 44px;
  height: 44px;
  border: 2px solid var(--edge);
  border-radius: 8px;
  background: var(--raised);
  color: inherit;
  font: inherit;
  font-weight: 700;
  cursor: pointer;
}
.held {
  color: var(--ink-soft);
}
.mark:disabled {
  border-style: dashed;
  cursor: default;
}
.mark.done {
  border-color: var(--pine);
  background: var(--pine-soft);
  color: var(--pine);
}
.mark.prompted {
  border-color: var(--ochre);
  background: var(--ochre-soft);
}
.mark.missed {
  border-color: var(--plum);
  background: var(--plum-soft);
}
details {
  flex: 1;
}
summary {
  min-height: 44px;
  padding: 4px 0;
  font-weight: 400;
  line-height: 1.2;
}
summary.done {
  color: var(--ink-soft);
}
/* A space at the end of a line is none to the template. */
.says {
  margin-left: 6px;
  font-weight: 700;
}
details p {
  margin: 0 0 6px;
}
.caution {
  margin: 0 0 6px;
  padding-left: 8px;
  border-left: 4px solid var(--edge);
}
.caution.safety {
  border-left-color: var(--plum);
}
.view {
  font-size: 0.8em;
  height: 44px;
}
</style>
