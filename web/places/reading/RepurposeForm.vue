<script setup lang="ts">
import { FAULTS_SHOWN, type FaultShown, SHOT_PURPOSES, type ShotPurpose } from '@calm-apron/core'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import SelectField from '../../kit/forms/SelectField.vue'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'
import type { Repurposed } from '../../shot/tasting/useTasting.ts'
import ReasonedForm from './ReasonedForm.vue'
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
  <ReasonedForm
    v-model:reason="reason"
    :label="t('repurpose.reason')"
    :hint="t('repurpose.hint')"
    :issue="issue"
    :keep="t('repurpose.keep')"
    :is-idle="purpose === props.purpose"
    @said="say"
    @close="emit('close')"
  >
    <ChoiceRow v-model="purpose" :label="t('repurpose.title')" :options="options" />
    <SelectField
      v-if="purpose === 'deliberate-fault'"
      v-model="fault"
      :label="t('purpose.which')"
      :options="faults"
    />
  </ReasonedForm>
</template>
