<script setup lang="ts">
import type { RoutineStep } from '@calm-apron/contract'
import type { StepKey } from '@calm-apron/core'
import { useLocalStorage } from '@vueuse/core'
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useStepWords } from '../routine/useStepWords.ts'

/** What the routine asks for at one step of the bar: each to be ticked, with its reason and common mistake on tap. */
const props = defineProps<{ steps: readonly RoutineStep[] }>()
const ticked = defineModel<StepKey[]>({ required: true })
const { t } = useI18n()
const { said } = useStepWords()
const view = useLocalStorage<'short' | 'full'>('calm-apron.routine-view', 'short')

const rows = computed(() =>
  props.steps
    .filter(({ isInShortView }) => view.value === 'full' || isInShortView)
    .map((step, index) => ({
      id: `${index} ${step.key ?? step.what}`,
      key: step.key,
      what: said(step, 'what'),
      reason: said(step, 'reason'),
      mistake: said(step, 'mistake'),
      caution: said(step, 'caution'),
      isDone: step.key !== null && ticked.value.includes(step.key),
    })),
)
const hasMore = computed(() => props.steps.some(({ isInShortView }) => !isInShortView))

function tick(key: StepKey): void {
  ticked.value = ticked.value.includes(key)
    ? ticked.value.filter((each) => each !== key)
    : [...ticked.value, key]
}
</script>

<template>
  <div>
    <ul class="ticks">
      <li v-for="row in rows" :key="row.id">
        <div class="row">
          <input
            v-if="row.key"
            :id="`tick-${row.id}`"
            type="checkbox"
            :checked="row.isDone"
            @change="tick(row.key)"
          />
          <details>
            <summary :class="{ done: row.isDone }">{{ row.what }}</summary>
            <p v-if="row.reason">{{ row.reason }}</p>
            <p v-if="row.mistake" class="soft">{{ t('bar.oftenWrong', { mistake: row.mistake }) }}</p>
          </details>
          <label v-if="row.key" class="visually-hidden" :for="`tick-${row.id}`">{{
            t('bar.stepDone', { step: row.what })
          }}</label>
        </div>
        <p v-if="row.caution" class="caution">{{ row.caution }}</p>
      </li>
    </ul>
    <Button v-if="hasMore" type="text" class="view" @click="view = view === 'full' ? 'short' : 'full'">
      {{ t(view === 'full' ? 'bar.fewSteps' : 'bar.allSteps') }}
    </Button>
  </div>
</template>

<style scoped>
.ticks {
  padding: 4px 0 4px 12px;
  font-size: 0.8em;
}
.row {
  display: flex;
  align-items: flex-start;
  gap: 8px;
}
input {
  flex: none;
  width: 28px;
  height: 28px;
  margin: 8px 0 0;
  accent-color: var(--pine);
}
details {
  flex: 1;
}
summary {
  font-weight: 400;
  line-height: 1.2;
}
summary.done {
  color: var(--ink-soft);
}
details p {
  margin: 0 0 6px;
}
.caution {
  margin: 0 0 6px;
  padding-left: 8px;
  border-left: 4px solid var(--plum);
}
.view {
  font-size: 0.8em;
  height: 44px;
}
</style>
