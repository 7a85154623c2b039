<script setup lang="ts">
import type { RoutineContent } from '@calm-apron/contract'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../../kit/parts/ChoiceRow.vue'
import { useFormat } from '../../../kit/units/useFormat.ts'
import { useStepWords } from '../../../shot/routine/useStepWords.ts'

/** A routine as whoever pulls will see it, short or full; why and what goes wrong are one tap away. */
const props = defineProps<{ routine: RoutineContent }>()
const { t } = useI18n()
const format = useFormat()
const { said } = useStepWords()
const view = ref<'short' | 'full'>('full')

const steps = computed(() =>
  props.routine.steps
    .filter(({ isInShortView }) => view.value === 'full' || isInShortView)
    .map((step) => ({
      what: said(step, 'what'),
      reason: said(step, 'reason'),
      mistake: said(step, 'mistake'),
      caution: said(step, 'caution'),
      marks: [
        ...(step.isSafety ? [t('routine.safety')] : []),
        ...(step.timer === 'none'
          ? []
          : [
              step.timerS === null
                ? t(`prepared.option.timer.${step.timer}`)
                : t('routine.timer', {
                    timer: t(`prepared.option.timer.${step.timer}`),
                    s: format.plain(step.timerS),
                  }),
            ]),
        ...(step.observedBy === 'self' ? [t('routine.self')] : []),
      ],
    })),
)
</script>

<template>
  <div class="stack">
    <ChoiceRow
      v-model="view"
      :label="t('routine.view')"
      is-label-hidden
      :options="[
        { value: 'full', label: t('routine.full') },
        { value: 'short', label: t('routine.short') },
      ]"
    />
    <p class="soft">{{ t(routine.isOrderEnforced ? 'routine.enforced' : 'routine.free') }}</p>
    <ol class="steps">
      <li v-for="(step, index) in steps" :key="`${index} ${step.what}`">
        <details>
          <summary>
            <span class="what">{{ step.what }}</span>
            <span v-for="mark in step.marks" :key="mark" class="mark">{{ mark }}</span>
          </summary>
          <dl>
            <template v-if="step.reason">
              <dt>{{ t('prepared.label.reason') }}</dt>
              <dd>{{ step.reason }}</dd>
            </template>
            <template v-if="step.mistake">
              <dt>{{ t('prepared.label.mistake') }}</dt>
              <dd>{{ step.mistake }}</dd>
            </template>
          </dl>
        </details>
        <p v-if="step.caution" class="caution">{{ step.caution }}</p>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.steps {
  counter-reset: step;
}
.steps > li {
  counter-increment: step;
  border-bottom: 1px solid var(--mist);
}
.what::before {
  content: counter(step) '. ';
}
.mark {
  margin-left: 12px;
  padding: 0 8px;
  border-radius: 4px;
  background: var(--ochre-soft);
  font-weight: 400;
  font-size: 0.875rem;
}
dl {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 4px 16px;
  margin: 0 0 8px 20px;
}
dd {
  margin: 0;
}
.caution {
  margin: 0 0 8px 20px;
  padding-left: 12px;
  border-left: 4px solid var(--plum);
}
</style>
