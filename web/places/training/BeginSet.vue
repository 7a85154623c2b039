<script setup lang="ts">
import { programmeOf } from '@calm-apron/contract'
import {
  type TrainingSetup,
  assessmentDue,
  assessmentState,
  dateInZone,
  hasSeenFirst,
} from '@calm-apron/core'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { signOffsAsked } from '../../data/queries/questions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'
import FormField from '../../kit/forms/FormField.vue'
import SelectField from '../../kit/forms/SelectField.vue'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'
import PressButton from '../../kit/parts/PressButton.vue'
import { useFormat } from '../../kit/units/useFormat.ts'
import { useAssessments } from '../../shot/signOff/assessments.ts'
import { usePartWords } from '../../shot/signOff/usePartWords.ts'
import { useProgrammes } from '../../shot/signOff/useSet.ts'
import type { TrainingGroup } from '../../shot/training/useGroups.ts'

/** Begins a set for one of the training, at a group that is theirs until it ends. */
const props = defineProps<{
  trainingId: string
  setup: TrainingSetup
  groups: readonly TrainingGroup[]
}>()
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
const academy = useAcademy()
const door = useDoor()
const format = useFormat()
const assessments = useAssessments()
const { partsWords } = usePartWords()
const { programmes, state } = useProgrammes()

const people = computed(() =>
  props.setup.seats
    .filter(({ personId }) => personId !== door.personId)
    .map(({ personId }) => ({ value: personId, label: academy.personName(personId) })),
)
const personId = ref(people.value[0]?.value ?? '')
/** Those that are shown by shots, with the recipe that is pulled here. */
const recipeId = computed(() => academy.recipe(props.setup.recipeRevisionId)?.recipeId ?? '')
const offered = computed(() =>
  programmes.value.filter(({ content: { way, recipes } }) => {
    const isItsRecipe = recipes.length === 0 || recipes.some((each) => each.recipeId === recipeId.value)
    return way !== 'ticks' && isItsRecipe
  }),
)
const chosen = ref('')
const programme = computed(
  () => offered.value.find(({ preparedId }) => preparedId === chosen.value) ?? offered.value[0] ?? null,
)
const programmeId = computed({
  get: () => programme.value?.preparedId ?? '',
  set: (id: string) => (chosen.value = id),
})
/** Groups that nobody has a set at, of the machines that the programme is for. */
const free = computed(() =>
  props.groups
    .filter(({ machineId, groupNo }) => {
      const kinds = programme.value?.content.machineKinds ?? []
      const kind = academy.machine(machineId)?.kind
      if (kinds.length > 0 && (kind === undefined || !kinds.includes(kind))) return false
      const taken = assessments.runningIn(props.trainingId).map((each) => each.state.setup)
      return !taken.some((each) => each.machineId === machineId && each.groupNo === groupNo)
    })
    .map(({ key, name }) => ({ value: key, label: name || t('bar.oneGroup') })),
)
const groupKeyChosen = ref('')
const groupKey = computed({
  get: () => groupKeyChosen.value || (free.value[0]?.value ?? ''),
  set: (key: string) => (groupKeyChosen.value = key),
})
const isTasted = ref(true)
const reason = ref('')

const answer = useAnswer(() => (personId.value === '' ? null : signOffsAsked(personId.value)))
/** The server is asked what comes before, and may still say. */
const isLooking = computed(() => answer.state.value === 'looking')
const known = computed(
  () => answer.value.value?.programmes.find((each) => each.programmeId === programmeId.value) ?? null,
)
const standing = computed(() => known.value?.standing ?? { is: 'none' as const })
const isTooSoon = computed(
  () => standing.value.is === 'not-yet' && dateInZone(new Date(), academy.timeZone) < standing.value.from,
)
const isTheirTrainer = computed(() => known.value?.trainedBy === door.personId && academy.teachers.length > 1)
const due = computed(() =>
  programme.value === null ? null : assessmentDue(standing.value, programmeOf(programme.value.content)),
)
/** Who saw the first set of one that is pulled afresh. */
const hasSeen = computed(() => {
  const { value } = standing
  if (value.is !== 'under-appeal') return false
  const told = answer.value.value?.assessments.find((each) => each.assessmentId === value.assessmentId)
  const first = assessmentState(told?.events ?? [], new Date())
  return first !== null && hasSeenFirst(first, door.personId, academy.teachers.length)
})
/** Why none can begin; empty where one can. */
const isNot = computed(() => {
  const { value } = standing
  if (value.is === 'running' || value.is === 'to-decide' || (value.is === 'signed' && value.look !== null))
    return t('signOff.begin.onAlready')
  if (value.is === 'under-appeal' && value.afresh === null) return t('signOff.begin.underAppeal')
  if (isTheirTrainer.value) return t('signOff.begin.theirTrainer')
  return hasSeen.value ? t('signOff.begin.hasSeen') : ''
})
/** Why a reason is asked for; empty where none is. */
const asksWhy = computed(() => {
  if (isLooking.value) return ''
  if (known.value === null) return t('signOff.begin.unknown')
  if (standing.value.is === 'not-yet' && isTooSoon.value)
    return t('signOff.begin.tooSoon', { date: format.calendarDate(standing.value.from) })
  const asksNone = due.value?.isLook === true || standing.value.is === 'under-appeal'
  return known.value.lacking.length > 0 && !asksNone ? t('signOff.begin.lacking') : ''
})
const isReady = computed(
  () =>
    programme.value !== null &&
    personId.value !== '' &&
    groupKey.value !== '' &&
    !isLooking.value &&
    isNot.value === '' &&
    (asksWhy.value === '' || reason.value.trim().length >= 3),
)

async function begin(): Promise<void> {
  const group = props.groups.find(({ key }) => key === groupKey.value)
  if (programme.value === null || due.value === null || group === undefined) return
  const { preparedId, revisionId, content } = programme.value
  const { recipeRevisionId, grinderId } = props.setup
  await assessments.begin(
    {
      personId: personId.value,
      programmeId: preparedId,
      programmeRevisionId: revisionId,
      trainingId: props.trainingId,
      recipeRevisionId,
      machineId: group.machineId,
      groupNo: group.groupNo,
      grinderId,
      ...due.value,
      isTasted: isTasted.value,
      hasCue: content.set.keepsCue,
      ...(answer.state.value !== 'here' && { isOffline: true as const }),
    },
    reason.value.trim(),
  )
  emit('close')
}
</script>

<template>
  <form class="begin" aria-labelledby="begin-set" @submit.prevent="begin">
    <h2 id="begin-set">{{ t('signOff.begin.title') }}</h2>
    <p v-if="offered.length === 0 && state !== 'looking'">{{ t('signOff.none') }}</p>
    <template v-else>
      <div class="grid">
        <SelectField v-model="personId" :label="t('signOff.begin.whom')" :options="people" />
        <SelectField
          v-model="programmeId"
          :label="t('signOff.begin.programme')"
          :options="offered.map(({ preparedId, content }) => ({ value: preparedId, label: content.name }))"
        />
        <SelectField v-model="groupKey" :label="t('signOff.begin.group')" :options="free" />
        <ChoiceRow
          v-model="isTasted"
          :label="t('signOff.begin.tasting')"
          :options="[
            { value: true, label: t('signOff.begin.tasted') },
            { value: false, label: t('signOff.begin.notTasted') },
          ]"
        />
      </div>
      <p v-if="due?.after">{{ t('signOff.begin.parts', { parts: partsWords(due.parts) }) }}</p>
      <p v-if="due?.isLook">{{ t('signOff.begin.look') }}</p>
      <p v-if="isNot" role="alert">{{ isNot }}</p>
      <template v-else-if="asksWhy">
        <p>{{ asksWhy }}</p>
        <FormField v-model="reason" :label="t('signOff.begin.reason')" />
      </template>
      <p class="soft">{{ t('signOff.begin.caution') }}</p>
    </template>
    <div class="actions">
      <PressButton type="submit" kind="primary" :disabled="!isReady">{{ t('signOff.begin.go') }}</PressButton>
      <PressButton kind="text" @click="emit('close')">{{ t('signOff.leave') }}</PressButton>
    </div>
  </form>
</template>

<style scoped>
.begin {
  display: grid;
  gap: 12px;
  padding: 16px 20px;
  background: var(--raised);
}
h2,
p {
  margin: 0;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
  gap: 12px 24px;
}
</style>
