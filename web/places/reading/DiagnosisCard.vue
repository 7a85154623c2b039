<script setup lang="ts">
import type { Diagnosis, Readings } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSettingWords } from '../../shot/grind/useSettingWords.ts'
import RailLine from '../../shot/rails/RailLine.vue'
import { railsOf } from '../../shot/rails/railModel.ts'
import { useRailWords } from '../../shot/rails/useRailWords.ts'
import { useDiagnosisWords } from './useDiagnosisWords.ts'

/** One statement: what it was, one thing that was right, the one to change on its rail. */
const props = defineProps<{
  diagnosis: Diagnosis
  readings: Readings
  grindSetting: number | null
  grinderId: string | null
}>()
const { t } = useI18n()
const words = useDiagnosisWords()
const railWords = useRailWords()
const settingWords = useSettingWords()

const isLookFirst = computed(() => props.diagnosis.move.lever === 'observe')
const isFiner = computed(() => {
  const { move } = props.diagnosis
  return move.lever === 'grind' && move.direction === 'finer'
})
const clauses = computed(() =>
  props.diagnosis.why.filter(({ code }) => code !== 'gate-unknown').map(words.reasonWords),
)
const right = computed(() => {
  const { right: kind } = props.diagnosis
  return kind === null ? '' : t(`named.right.${kind}`)
})
const changed = computed(() => {
  const { changes } = props.diagnosis
  const rail = railsOf(props.readings).find(({ kind }) => kind === changes)
  if (changes === null || rail === undefined || !rail.isJudged) return null
  return { rail, label: t(`rail.${changes}`), says: railWords.deviationOf(changes, props.readings) }
})
</script>

<template>
  <section class="diagnosis" aria-labelledby="verdict">
    <h2 id="verdict" class="verdict">{{ t(`heading.${diagnosis.heading}`) }}</h2>
    <p class="cause">{{ words.namedWords(diagnosis) }}</p>
    <p v-if="right" class="right">{{ right }}</p>
    <div v-if="diagnosis.pressureCaution" class="caution" role="note">
      {{ t(`pressure.${diagnosis.pressureCaution}`) }}
    </div>
    <div class="move">
      <p v-if="isLookFirst" class="soft">{{ t('reading.observeFirst') }}</p>
      <p class="next">{{ words.moveWords(diagnosis, grindSetting, settingWords(grinderId)) }}</p>
      <p v-if="words.mendTooWords(diagnosis)">{{ words.mendTooWords(diagnosis) }}</p>
      <p v-for="clause in clauses" :key="clause" class="soft">{{ clause }}</p>
      <p v-if="isFiner" class="soft">{{ t('move.finerWhileRunning') }}</p>
      <div v-if="changed" class="changed">
        <span>{{ changed.label }}</span>
        <RailLine :rail="changed.rail" />
        <span>{{ changed.says }}</span>
      </div>
    </div>
  </section>
</template>

<style scoped>
.verdict {
  font-size: 2rem;
  margin-bottom: 4px;
}
.cause,
.right {
  font-size: 1.125rem;
}
.cause {
  margin-bottom: 4px;
}
.move {
  margin: 16px 0;
  padding: 16px 20px;
  border-left: 6px solid var(--pine);
  background: var(--raised);
}
.move p {
  margin: 0 0 4px;
}
.next {
  font-size: 1.5rem;
  font-weight: 650;
  line-height: 1.25;
}
.changed {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  gap: 12px;
  align-items: center;
  margin-top: 12px;
}
.caution {
  margin: 12px 0;
  padding: 12px 16px;
  border-left: 6px solid var(--plum);
  background: var(--plum-soft);
}
</style>
