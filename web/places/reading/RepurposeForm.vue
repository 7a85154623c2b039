<script setup lang="ts">
import { BOUNDS } from '@calm-apron/contract'
import { FAULTS_SHOWN, type FaultShown, SHOT_PURPOSES, type ShotPurpose } from '@calm-apron/core'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import FormField from '../../kit/forms/FormField.vue'
import SelectField from '../../kit/forms/SelectField.vue'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'
import type { Repurposed } from '../../shot/tasting/useTasting.ts'
import { useReason } from './useReason.ts'

/** What a shot was for, said otherwise afterwards: in a tap, with a reason. */
const props = defineProps<{ purpose: ShotPurpose }>()
const emit = defineEmits<{ said: [said: Repurposed]; close: [] }>()
const { t } = useI18n()
const purpose = ref<ShotPurpose>(props.purpose)
const fault = ref<FaultShown>(FAULTS_SHOWN[0])
const { reason, issue, given } = useReason()

/** A shot of a set stays one, unless something broke; none becomes part of one; no new ones are experiments. */
const NEVER: ReadonlySet<ShotPurpose> = new Set(['assessment', 'experiment'])
const options = computed(() =>
  SHOT_PURPOSES.filter((value) =>
    props.purpose === 'assessment'
      ? value === 'assessment' || value === 'equipment-failure'
      : value === props.purpose || !NEVER.has(value),
  ).map((value) => ({ value, label: t(`purpose.${value}`) })),
)
const faults = computed(() => FAULTS_SHOWN.map((value) => ({ value, label: t(`purpose.fault.${value}`) })))

function say(): void {
  const why = given()
  if (why === null || purpose.value === props.purpose) return
  const faultShown = purpose.value === 'deliberate-fault' ? fault.value : null
  emit('said', { purposeBefore: props.purpose, purpose: purpose.value, faultShown, reason: why })
}
</script>

<template>
  <form class="repurpose" @submit.prevent="say">
    <ChoiceRow v-model="purpose" :label="t('repurpose.title')" :options="options" />
    <SelectField
      v-if="purpose === 'deliberate-fault'"
      v-model="fault"
      :label="t('purpose.which')"
      :options="faults"
    />
    <FormField
      v-model="reason"
      :label="t('repurpose.reason')"
      :hint="t('repurpose.hint')"
      :issue="issue"
      :maxlength="BOUNDS.reasonLength.max"
    />
    <div class="actions">
      <PressButton kind="primary" type="submit" :disabled="purpose === props.purpose">{{
        t('repurpose.keep')
      }}</PressButton>
      <PressButton @click="emit('close')">{{ t('ruling.cancel') }}</PressButton>
    </div>
  </form>
</template>

<style scoped>
.repurpose {
  display: grid;
  gap: 16px;
  padding: 16px 20px;
  border-left: 6px solid var(--edge);
  background: var(--raised);
}
</style>
