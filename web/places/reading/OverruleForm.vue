<script setup lang="ts">
import { BOUNDS, CALL_MOVES, VERDICTS } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import FormField from '../../kit/forms/FormField.vue'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'
import type { Said } from '../../shot/tasting/useTasting.ts'
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
  <form class="overrule" @submit.prevent="rule">
    <ChoiceRow v-model="verdict" :label="t('ruling.verdict')" :options="verdicts" />
    <ChoiceRow v-model="move" :label="t('call.next')" :options="moves" />
    <FormField
      v-model="reason"
      :label="t('ruling.reason')"
      :hint="t('ruling.reasonHint')"
      :issue="issue"
      :maxlength="BOUNDS.reasonLength.max"
    />
    <div class="actions">
      <PressButton kind="primary" type="submit" :disabled="verdict === null">{{
        t('ruling.keep')
      }}</PressButton>
      <PressButton @click="emit('close')">{{ t('ruling.cancel') }}</PressButton>
    </div>
  </form>
</template>

<style scoped>
.overrule {
  display: grid;
  gap: 16px;
  padding: 16px 20px;
  border-left: 6px solid var(--edge);
  background: var(--raised);
}
</style>
