<script setup lang="ts">
import { FAULTS_SHOWN, type FaultShown, type ShotPurpose, isOfTeachers } from '@calm-apron/core'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import TickBox from '../../kit/forms/TickBox.vue'
import SelectField from '../../kit/forms/SelectField.vue'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'
import { type ShotDraft, faultShownOf } from '../draft/shotDraft.ts'

/**
 * What a shot is for, where it is no turn like any other: only practice and assessment count towards skill. A fault that is
 * made on purpose is sealed here, too: whoever looks for it may be handed this tablet.
 */
const draft = defineModel<ShotDraft>({ required: true })
const { t } = useI18n()
const door = useDoor()
const academy = useAcademy()

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
  [...new Set<ShotPurpose>([...OFFERED, draft.value.purpose])]
    .filter((value) => door.isStaff || !isOfTeachers(value))
    .map((value) => ({ value, label: t(`purpose.${value}`) })),
)
const faults = computed(() => FAULTS_SHOWN.map((value) => ({ value, label: t(`purpose.fault.${value}`) })))
/** An assessment is one whatever whoever pulls would rather call it. */
const isSet = computed(() => draft.value.purpose === 'assessment')
const isSealed = ref(draft.value.faultShown !== null)
const fault = computed<FaultShown>({
  get: () => faultShownOf(draft.value),
  set: (chosen) => (draft.value.faultShown = chosen),
})

/** From here on nothing on this tablet says which fault it is, until whoever pulls has made their call. */
function seal(): void {
  draft.value.faultShown = faultShownOf(draft.value)
  draft.value.isCallAsked ||= academy.trainees.some(({ personId }) => personId === draft.value.personId)
  isSealed.value = true
}
function chooseAgain(): void {
  draft.value.purpose = 'practice'
  draft.value.faultShown = null
  isSealed.value = false
}
</script>

<template>
  <p v-if="isSealed" class="sealed">
    {{ t('purpose.sealed') }}
    <PressButton v-if="door.isStaff" @click="chooseAgain">{{ t('purpose.chooseAgain') }}</PressButton>
  </p>
  <details v-else class="purpose">
    <summary>{{ t('purpose.of', { purpose: t(`purpose.${draft.purpose}`) }) }}</summary>
    <ChoiceRow v-if="!isSet" v-model="draft.purpose" :label="t('purpose.title')" :options="purposes" />
    <template v-if="draft.purpose === 'deliberate-fault'">
      <SelectField v-model="fault" :label="t('purpose.which')" :options="faults" />
      <p class="soft">{{ t('purpose.caution') }}</p>
      <PressButton @click="seal">{{ t('purpose.seal') }}</PressButton>
    </template>
    <TickBox v-model="draft.isSimulated">{{ t('purpose.simulated') }}</TickBox>
  </details>
</template>

<style scoped>
.purpose > * + * {
  margin-top: 12px;
}
.purpose :deep(.option) {
  font-size: 0.85em;
}
.sealed {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
  margin: 0;
}
</style>
