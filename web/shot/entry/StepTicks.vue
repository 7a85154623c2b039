<script setup lang="ts">
import type { RoutineStep } from '@calm-apron/contract'
import {
  SAFETY_STEPS,
  type StepKey,
  type StepsSeen,
  allWatched,
  markOfStep,
  nextMark,
  withStepMarked,
} from '@calm-apron/core'
import { useLocalStorage } from '@vueuse/core'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useStepWords } from '../routine/useStepWords.ts'

/**
 * What the routine asks for at one step of the bar, marked by exception: all done in a tap, then only what had to be said or was
 * left out. Each has its reason and common mistake on tap.
 */
const props = defineProps<{ steps: readonly RoutineStep[] }>()
const seen = defineModel<StepsSeen>({ required: true })
const { t } = useI18n()
const { said } = useStepWords()
const view = useLocalStorage<'short' | 'full'>('calm-apron.routine-view', 'short')

const rows = computed(() =>
  props.steps
    .filter(({ isInShortView }) => view.value === 'full' || isInShortView)
    .map((step, index) => {
      const mark = step.key === null ? null : markOfStep(seen.value, step.key)
      return {
        id: `${index} ${step.key ?? step.what}`,
        key: step.key,
        what: said(step, 'what'),
        reason: said(step, 'reason'),
        mistake: said(step, 'mistake'),
        caution: said(step, 'caution'),
        mark,
        isOfSafety: step.key !== null && SAFETY_STEPS.includes(step.key),
      }
    }),
)
const hasMore = computed(() => props.steps.some(({ isInShortView }) => !isInShortView))
const keys = computed(() => props.steps.flatMap(({ key }) => key ?? []))
const areAllMarked = computed(() => keys.value.every((key) => markOfStep(seen.value, key) !== null))

function tap(key: StepKey): void {
  seen.value = withStepMarked(seen.value, key, nextMark(markOfStep(seen.value, key)))
}
</script>

<template>
  <div class="watched">
    <PressButton v-if="keys.length > 0 && !areAllMarked" class="all" @click="seen = allWatched(seen, keys)">{{
      t('bar.allWatched')
    }}</PressButton>
    <ul class="ticks">
      <li v-for="row in rows" :key="row.id">
        <div class="row">
          <button
            v-if="row.key"
            type="button"
            class="mark"
            :class="row.mark ?? 'unmarked'"
            :aria-label="t('bar.stepIs', { step: row.what, mark: t(`stepMark.${row.mark ?? 'unmarked'}`) })"
            @click="tap(row.key)"
          >
            <span aria-hidden="true">{{ t(`stepSign.${row.mark ?? 'unmarked'}`) }}</span>
          </button>
          <details>
            <summary :class="{ done: row.mark === 'done' }">
              {{ row.what }}
              <span v-if="row.mark && row.mark !== 'done'" class="says">{{ t(`stepMark.${row.mark}`) }}</span>
            </summary>
            <p v-if="row.reason">{{ row.reason }}</p>
            <p v-if="row.mistake" class="soft">{{ t('bar.oftenWrong', { mistake: row.mistake }) }}</p>
          </details>
        </div>
        <p v-if="row.caution" class="caution" :class="{ safety: row.isOfSafety }">{{ row.caution }}</p>
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
