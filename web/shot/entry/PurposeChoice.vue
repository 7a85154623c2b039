<script setup lang="ts">
import { FAULTS_SHOWN, type FaultShown, type ShotPurpose, isOfTeachers } from '@calm-apron/core'
import { Checkbox } from 'ant-design-vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import SelectField from '../../kit/forms/SelectField.vue'
import { useDoor } from '../../data/door/door.ts'
import { type ShotDraft, faultShownOf } from '../draft/shotDraft.ts'

/** What a shot is for, where it is no turn like any other: only practice and assessment count towards skill. */
const draft = defineModel<ShotDraft>({ required: true })
const { t } = useI18n()
const door = useDoor()

/** What is chosen here; the rest is said by the place where a shot is begun. */
const OFFERED = [
  'practice',
  'comparison',
  'sink',
  'equipment-failure',
  'demonstration',
  'deliberate-fault',
] as const satisfies readonly ShotPurpose[]
const purposes = computed(() =>
  [...new Set<ShotPurpose>([draft.value.purpose, ...OFFERED])]
    .filter((value) => door.isStaff || !isOfTeachers(value))
    .map((value) => ({ value, label: t(`purpose.${value}`) })),
)
const faults = computed(() => FAULTS_SHOWN.map((value) => ({ value, label: t(`purpose.fault.${value}`) })))
/** An assessment is one whatever whoever pulls would rather call it. */
const isSet = computed(() => draft.value.purpose === 'assessment')
const fault = computed<FaultShown>({
  get: () => faultShownOf(draft.value),
  set: (chosen) => (draft.value.faultShown = chosen),
})
</script>

<template>
  <details class="purpose">
    <summary>{{ t('purpose.of', { purpose: t(`purpose.${draft.purpose}`) }) }}</summary>
    <SelectField v-if="!isSet" v-model="draft.purpose" :label="t('purpose.title')" :options="purposes" />
    <SelectField
      v-if="draft.purpose === 'deliberate-fault'"
      v-model="fault"
      :label="t('purpose.which')"
      :options="faults"
    />
    <Checkbox v-model:checked="draft.isSimulated">{{ t('purpose.simulated') }}</Checkbox>
  </details>
</template>

<style scoped>
.purpose > * + * {
  margin-top: 12px;
}
.purpose :deep(.ant-checkbox-wrapper) {
  min-height: 48px;
  align-items: center;
}
</style>
