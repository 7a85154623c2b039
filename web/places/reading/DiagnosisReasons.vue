<script setup lang="ts">
import { type Diagnosis, type Reason, keepsAll } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import CauseList from './CauseList.vue'
import { useDiagnosisWords } from './useDiagnosisWords.ts'

/** What a statement rests on: for, against, what nobody checked, what to keep the same, and what else it could be. */
const props = defineProps<{ diagnosis: Diagnosis; isOpen: boolean }>()
const { t } = useI18n()
const words = useDiagnosisWords()

/** Evidence that moves the odds by less than about half is not worth a line. */
const WORTH_SAYING = 0.4
const [MOST_FOR, MOST_AGAINST] = [4, 2]

/** Where all is kept there is nothing to give reasons for. */
const isKept = computed(() => keepsAll(props.diagnosis.move))
const unseen = computed(() => reasons((code) => code === 'gate-unknown'))
const speaksFor = computed(() => said(({ logOdds }) => logOdds > WORTH_SAYING, MOST_FOR))
const against = computed(() => said(({ logOdds }) => logOdds < -WORTH_SAYING, MOST_AGAINST))
const holds = computed(() => props.diagnosis.hold.map((lever) => t(`lever.${lever}`)).join(', '))
const look = computed(() => {
  const { lookNext } = props.diagnosis
  if (lookNext === null) return null
  return {
    label: t(lookNext.isStillThere ? 'named.stillThere' : 'named.nextShot'),
    says: t(`observe.${lookNext.observation}`),
  }
})
const parts = computed(() =>
  [
    { label: t('evidence.speaksFor'), lines: speaksFor.value },
    { label: t('evidence.against'), lines: against.value },
    { label: t('why.notSeen'), lines: unseen.value },
    { label: t('why.hold'), lines: [holds.value] },
    ...(look.value === null ? [] : [{ label: look.value.label, lines: [look.value.says] }]),
  ].filter(({ lines }) => lines.length > 0),
)

function reasons(isOf: (code: Reason['code']) => boolean): string[] {
  return props.diagnosis.why.filter(({ code }) => isOf(code)).map(words.reasonWords)
}

function said(isSaid: (each: Diagnosis['evidence'][number]) => boolean, most: number): string[] {
  if (isKept.value || props.diagnosis.named.causes.length === 0) return []
  return props.diagnosis.evidence.filter(isSaid).slice(0, most).map(words.evidenceWords)
}
</script>

<template>
  <details class="why" :open="isOpen">
    <summary>{{ t('why.title') }}</summary>
    <dl>
      <template v-for="part in parts" :key="part.label">
        <dt>{{ part.label }}</dt>
        <dd>
          <ul class="reasons">
            <li v-for="line in part.lines" :key="line">{{ line }}</li>
          </ul>
        </dd>
      </template>
    </dl>
    <CauseList v-if="!isKept" :causes="diagnosis.causes" />
  </details>
</template>

<style scoped>
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
