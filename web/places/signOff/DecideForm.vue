<script setup lang="ts">
import type { Assessment } from '@calm-apron/contract'
import { type JudgedPart, type Outcomes, PART_RESULTS, RULES_VERSION } from '@calm-apron/core'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import FormFailure from '../../kit/forms/FormFailure.vue'
import FormField from '../../kit/forms/FormField.vue'
import PressButton from '../../kit/parts/PressButton.vue'
import { usePartWords } from '../../shot/signOff/usePartWords.ts'
import OutcomeChoices from './OutcomeChoices.vue'
import SignFields from './SignFields.vue'
import { useSigning } from './useSigning.ts'

/** Decides an assessment and signs it, or settles an appeal: as the rules propose, or otherwise with a reason. */
const props = defineProps<{
  assessmentId: string
  judged: readonly JudgedPart[]
  digest: string
  /** Whether it settles an appeal. */
  isSettling: boolean
}>()
const emit = defineEmits<{ done: [told: Assessment] }>()
const { t } = useI18n()
const { partsWords } = usePartWords()
const asProposed = (): Outcomes => props.judged.map(({ part, result }) => ({ part, result }))
const outcomes = ref<Outcomes>(asProposed())
/** What each part came to is asked only of whoever decides otherwise. */
const isOpen = ref(props.isSettling)
const text = ref('')
const signing = useSigning(
  () => props.assessmentId,
  async (told) => Promise.resolve(emit('done', told)),
)
const { isBusy, failure, secret, by, isDemo, isSignable } = signing

const summary = computed(() =>
  PART_RESULTS.flatMap((result) => {
    const parts = outcomes.value.flatMap((each) => (each.result === result ? each.part : []))
    return parts.length === 0 ? [] : `${t(`signOff.result.${result}`)}: ${partsWords(parts)}`
  }).join('; '),
)
const isOtherwise = computed(() =>
  outcomes.value.some(
    ({ part, result }) => props.judged.find((each) => each.part === part)?.result !== result,
  ),
)
const needsText = computed(() => isOtherwise.value || props.isSettling)
const isReady = computed(() => isSignable.value && (!needsText.value || text.value.trim().length >= 3))

async function sign(): Promise<void> {
  const happening = props.isSettling
    ? { kind: 'settled' as const, outcomes: outcomes.value }
    : {
        kind: 'decided' as const,
        outcomes: outcomes.value,
        proposed: asProposed(),
        digest: props.digest,
        rulesVersion: RULES_VERSION,
      }
  await signing.sign(happening, text.value)
}
</script>

<template>
  <form class="decide" aria-labelledby="decide" @submit.prevent="sign">
    <h2 id="decide">{{ t(isSettling ? 'signOff.appeal.settle' : 'signOff.page.yours') }}</h2>
    <p v-if="!isOpen">{{ t('signOff.page.asProposed') }}. {{ summary }}.</p>
    <PressButton v-if="!isOpen" kind="text" @click="isOpen = true">{{
      t('signOff.page.otherwise')
    }}</PressButton>
    <OutcomeChoices v-else v-model="outcomes" :judged="judged" />
    <p v-if="isOtherwise" role="status">{{ t('signOff.page.overrule') }}</p>
    <FormField v-if="needsText" v-model="text" :label="t('signOff.page.reason')" :maxlength="300" />
    <SignFields v-model:by="by" v-model:secret="secret" :is-demo="isDemo" />
    <FormFailure :says="failure" />
    <PressButton type="submit" kind="primary" :is-busy="isBusy" :disabled="!isReady">{{
      t('signOff.page.sign')
    }}</PressButton>
  </form>
</template>

<style scoped>
.decide {
  display: grid;
  gap: 12px;
  justify-items: start;
  padding: 16px 20px;
  background: var(--raised);
}
h2,
p {
  margin: 0;
}
</style>
