<script setup lang="ts">
import type { Diagnosis, Readings, Reason } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import CauseList from './CauseList.vue'
import { useDiagnosisWords } from './useDiagnosisWords.ts'

const props = defineProps<{ diagnosis: Diagnosis; readings: Readings; grindSetting: number | null }>()
const { t } = useI18n()
const words = useDiagnosisWords()

/** Evidence that moves the odds by less than about half is not worth a line. */
const WORTH_SAYING = 0.4
const [MOST_FOR, MOST_AGAINST] = [4, 2]

const isAsking = computed(() => props.diagnosis.cause === null)
const rules = computed(() => reasons((code) => code !== 'gate-unknown'))
const unseen = computed(() => reasons((code) => code === 'gate-unknown'))
const speaksFor = computed(() => said(({ logOdds }) => logOdds > WORTH_SAYING, MOST_FOR))
const against = computed(() => said(({ logOdds }) => logOdds < -WORTH_SAYING, MOST_AGAINST))
const runnerUp = computed(() => words.runnerUpWords(props.diagnosis))
const holds = computed(() => props.diagnosis.hold.map((lever) => t(`lever.${lever}`)).join(', '))
const isLookFirst = computed(() => props.diagnosis.move.lever === 'observe')
const isNoEvidence = computed(
  () =>
    !props.readings.gate.passed &&
    props.diagnosis.move.lever !== 'grind' &&
    props.diagnosis.move.lever !== 'leave',
)

function reasons(isOf: (code: Reason['code']) => boolean): string[] {
  return props.diagnosis.why.filter(({ code }) => isOf(code)).map(words.reasonWords)
}

function said(isSaid: (each: Diagnosis['evidence'][number]) => boolean, most: number): string[] {
  return isAsking.value ? [] : props.diagnosis.evidence.filter(isSaid).slice(0, most).map(words.evidenceWords)
}
</script>

<template>
  <section class="diagnosis" aria-labelledby="verdict">
    <h2 id="verdict" class="verdict">{{ t(`verdict.${diagnosis.verdict}`) }}</h2>
    <p class="cause">
      {{ words.causeWords(diagnosis) }}
      <span v-if="runnerUp" class="soft">{{ runnerUp }}</span>
    </p>
    <div v-if="diagnosis.pressureCaution" class="caution" role="note">{{ t('pull.caution') }}</div>
    <div class="move">
      <p v-if="isLookFirst" class="soft">{{ t('reading.observeFirst') }}</p>
      <p class="next">{{ words.moveWords(diagnosis.move, grindSetting) }}</p>
      <p v-if="words.mendTooWords(diagnosis)">{{ words.mendTooWords(diagnosis) }}</p>
      <p v-if="isNoEvidence" class="soft">{{ t('reading.notEvidence') }}</p>
    </div>
    <dl>
      <template v-if="rules.length > 0">
        <dt>{{ t('why.title') }}</dt>
        <dd>
          <ul class="reasons">
            <li v-for="rule in rules" :key="rule">{{ rule }}</li>
          </ul>
        </dd>
      </template>
      <template v-if="speaksFor.length > 0">
        <dt>{{ t('evidence.speaksFor') }}</dt>
        <dd>
          <ul class="reasons">
            <li v-for="each in speaksFor" :key="each">{{ each }}</li>
          </ul>
        </dd>
      </template>
      <template v-if="against.length > 0">
        <dt>{{ t('evidence.against') }}</dt>
        <dd>
          <ul class="reasons">
            <li v-for="each in against" :key="each">{{ each }}</li>
          </ul>
        </dd>
      </template>
      <template v-if="unseen.length > 0">
        <dt>{{ t('why.notSeen') }}</dt>
        <dd>
          <ul class="reasons">
            <li v-for="each in unseen" :key="each">{{ each }}</li>
          </ul>
        </dd>
      </template>
      <dt>{{ t('why.hold') }}</dt>
      <dd>{{ holds }}</dd>
      <template v-if="diagnosis.lookNext">
        <dt>{{ t('why.lookNext') }}</dt>
        <dd>{{ t(`observe.${diagnosis.lookNext}`) }}</dd>
      </template>
    </dl>
    <CauseList :causes="diagnosis.causes" />
  </section>
</template>

<style scoped>
.verdict {
  font-size: 2rem;
  margin-bottom: 4px;
}
.cause {
  font-size: 1.125rem;
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
.caution {
  margin: 12px 0;
  padding: 12px 16px;
  border-left: 6px solid var(--plum);
  background: var(--plum-soft);
}
dl {
  margin: 0 0 12px;
  display: grid;
  grid-template-columns: 9em 1fr;
  gap: 8px 16px;
}
dt {
  color: var(--ink-soft);
}
dd {
  margin: 0;
}
.reasons {
  display: grid;
  gap: 4px;
}
@media (max-width: 600px) {
  dl {
    grid-template-columns: 1fr;
    gap: 2px;
  }
  dd {
    margin-bottom: 8px;
  }
}
</style>
