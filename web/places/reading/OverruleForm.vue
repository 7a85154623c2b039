<script setup lang="ts">
import { CALL_MOVES, VERDICTS } from '@calm-apron/contract'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'
import type { Said } from '../../shot/tasting/useTasting.ts'
import ReasonedForm from './ReasonedForm.vue'
import { useReason } from './useReason.ts'

/** A trainer sees it otherwise: with a reason, and beside the tool's own reading. */
const emit = defineEmits<{
  ruled: [said: Said & { verdict: (typeof VERDICTS)[number] }, reason: string]
  close: []
}>()
const { t } = useI18n()
const verdict = ref<(typeof VERDICTS)[number] | null>(null)
const move = ref<Said['move']>(null)
const { reason, issue, given } = useReason()

const verdicts = VERDICTS.map((value) => ({ value, label: t(`verdict.${value}`) }))
const moves = CALL_MOVES.map((value) => ({ value, label: t(`call.move.${value}`) }))

function rule(): void {
  const why = given()
  if (why === null || verdict.value === null) return
  emit('ruled', { verdict: verdict.value, cause: null, move: move.value }, why)
}
</script>

<template>
  <ReasonedForm
    v-model:reason="reason"
    :label="t('ruling.reason')"
    :hint="t('ruling.reasonHint')"
    :issue="issue"
    :keep="t('ruling.keep')"
    :is-idle="verdict === null"
    @said="rule"
    @close="emit('close')"
  >
    <ChoiceRow v-model="verdict" :label="t('ruling.verdict')" :options="verdicts" />
    <ChoiceRow v-model="move" :label="t('call.next')" :options="moves" />
  </ReasonedForm>
</template>
