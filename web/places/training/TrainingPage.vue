<script setup lang="ts">
import {
  type Focus,
  type LeftReady,
  canReopen,
  nameOfFocus,
  weighedDoseG,
  pricePerKg,
  spentOn,
} from '@calm-apron/core'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, defineAsyncComponent, onMounted, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRouter } from 'vue-router'
import ReachNote from '../../shot/ReachNote.vue'
import EmptyPlace from '../../kit/parts/EmptyPlace.vue'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { useDrafts } from '../../shot/draft/drafts.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import FocusChoice from './FocusChoice.vue'
import GroupCard from './GroupCard.vue'
import { useProgrammes } from '../../shot/signOff/useSet.ts'
import { useAssessments } from '../../shot/signOff/assessments.ts'
import LateComers from './LateComers.vue'
import LeaveReady from './LeaveReady.vue'
import LockNote from './LockNote.vue'
import TrainingShots from './TrainingShots.vue'
import MoneySpent from '../../shot/training/MoneySpent.vue'
import { useTrainings } from '../../shot/training/trainings.ts'
import { useTraining } from '../../shot/training/useTraining.ts'
import { withWords } from '../../words/index.ts'

/** A training while it is on: each group, whose turn it is, and what it needs. */
const props = defineProps<{ trainingId: string }>()
const { t } = useI18n()
const router = useRouter()
const academy = useAcademy()
const door = useDoor()
const drafts = useDrafts()
const trainings = useTrainings()
const format = useFormat()
const { events, state, setup, recipe, grinder, coffee, isDialInOpen, listed, isCounted, groups, begin } =
  useTraining(() => props.trainingId)
/** Fetched with its words once a training is over. */
const SessionSummary = defineAsyncComponent(withWords('session', () => import('./SessionSummary.vue')))
/** Fetched with their words once there is a set, or somebody begins one. */
const SetCard = defineAsyncComponent(withWords('signOff', () => import('./SetCard.vue')))
const BeginSet = defineAsyncComponent(withWords('signOff', () => import('./BeginSet.vue')))
const assessments = useAssessments()
// Asked for where a set may be on, so that the device knows them when the network goes.
useProgrammes()
const sets = computed(() => assessments.runningIn(props.trainingId))
const setAt = ({ machineId, groupNo }: { machineId: string | null; groupNo: number }) =>
  sets.value.find(({ state: { setup: its } }) => its.machineId === machineId && its.groupNo === groupNo) ??
  null
const isBeginningSet = ref(false)
const maySign = computed(() => door.may('sign'))
const isEnding = ref(false)
const mayLead = computed(() => door.may('lead-training'))
const mayReopen = computed(() => mayLead.value && state.value !== null && canReopen(state.value, new Date()))

onMounted(() => void drafts.reload())

const isBegun = computed(() => groups.value.some(({ turns }) => turns.pulling !== null))
/** What the whole training has ground so far, dialling in and turns alike: for whoever buys the coffee. */
const spent = computed(() => {
  if (!mayLead.value || recipe.value === null) return null
  const real = listed.value.filter(({ shot }) => !shot.isSimulated)
  return spentOn(
    real.toReversed().map(({ shot: { current } }) => ({
      setting: current.facts.grindSetting,
      doseG: weighedDoseG(current.facts),
    })),
    {
      usualDoseG: recipe.value.targets.doseG,
      purgeG: grinder.value?.purgeG ?? 0,
      pricePerKg: pricePerKg(coffee.value?.bagPrice ?? null, coffee.value?.bagG ?? null),
    },
  )
})
/** One that is over has its day. */
const when = computed(() => {
  const { startedAt = '', ended = null } = state.value ?? {}
  const time = startedAt === '' ? '' : format.timeOf(startedAt, academy.timeZone)
  if (ended === null) return t('lead.since', { time })
  const to = format.timeOf(ended.at, academy.timeZone)
  return t('training.onDay', { date: format.dateOf(startedAt, academy.timeZone), from: time, to })
})

async function toggleBreak(): Promise<void> {
  await trainings.note(props.trainingId, { kind: state.value?.onBreakSince ? 'break-ended' : 'break-began' })
}
async function end(left: LeftReady): Promise<void> {
  await trainings.note(props.trainingId, { kind: 'ended', left })
  isEnding.value = false
}
async function look(focus: Focus): Promise<void> {
  await trainings.note(props.trainingId, { kind: 'focused', focus })
}
const focusName = computed(() => {
  const name = state.value === null ? null : nameOfFocus(state.value.focus)
  return name === null ? t('focus.own') : t(`focus.name.${name}`)
})
async function reopen(): Promise<void> {
  await trainings.note(props.trainingId, { kind: 'reopened' })
}
function goOn(shotId: string): void {
  void router.push({ name: 'shot', params: { shotId } })
}
</script>

<template>
  <div v-if="state && setup" class="training">
    <header>
      <h1 tabindex="-1">{{ t(`training.title.${setup.purpose}`) }}</h1>
      <p class="soft">
        {{ recipe?.name }}<template v-if="coffee">, {{ coffee.name }}</template>
        <template v-if="grinder">, {{ grinder.name }}</template>
        · {{ when }} <template v-if="!state.ended">· <ReachNote /></template>
      </p>
    </header>
    <p v-if="state.ended" class="ended" role="status">
      {{
        t('lead.endedBy', {
          person: academy.personName(state.ended.by),
          time: format.timeOf(state.ended.at, academy.timeZone),
        })
      }}
      {{
        state.ended.rinsed && state.ended.wiped && state.ended.handleBack
          ? t('leave.allDone')
          : t('leave.notAll')
      }}
      <span v-if="state.ended.sentBy && state.ended.sentBy !== state.ended.by" class="soft">{{
        t('lead.sentBy', { person: academy.personName(state.ended.sentBy) })
      }}</span>
      <PressButton v-if="mayReopen" class="reopen" @click="reopen">{{ t('lead.reopen') }}</PressButton>
    </p>
    <p v-else-if="state.onBreakSince" class="break" role="status">
      {{ t('lead.onBreak', { time: format.timeOf(state.onBreakSince, academy.timeZone) }) }}
    </p>
    <LockNote
      v-if="isDialInOpen && !state.ended"
      :training-id="trainingId"
      :state="state"
      :recipe="recipe"
      :coffee="coffee"
      :is-set-on="assessments.isOnAt(trainingId, setup.grinderId)"
    />
    <div v-if="!state.ended" class="groups">
      <template v-for="group in groups" :key="group.key">
        <component
          :is="SetCard"
          v-for="assessment in [setAt(group)].flatMap((each) => each ?? [])"
          :key="assessment.assessmentId"
          :assessment="assessment"
          :group="group"
          :listed="listed"
          @begin="begin"
          @go-on="goOn"
        />
        <GroupCard
          v-if="setAt(group) === null"
          :training-id="trainingId"
          :group="group"
          :setup="setup"
          @begin="begin"
          @go-on="goOn"
        />
      </template>
    </div>
    <template v-if="!state.ended && setup.purpose === 'practice'">
      <FocusChoice v-if="mayLead" :model-value="state.focus" @update:model-value="look" />
      <p v-else class="soft">{{ t('focus.title') }}: {{ focusName }}.</p>
    </template>
    <BeginSet
      v-if="isBeginningSet && !state.ended"
      :training-id="trainingId"
      :setup="setup"
      :groups="groups"
      @close="isBeginningSet = false"
    />
    <LateComers v-if="mayLead && !state.ended" :training-id="trainingId" :setup="setup" />
    <LeaveReady v-if="isEnding" @close="isEnding = false" @end="end" />
    <div v-else-if="!state.ended && mayLead" class="actions">
      <PressButton v-if="maySign && !isBeginningSet" @click="isBeginningSet = true">{{
        t('lead.beginSet')
      }}</PressButton>
      <PressButton @click="toggleBreak">{{ t(state.onBreakSince ? 'lead.goOn' : 'lead.break') }}</PressButton>
      <RouterLink class="link" :to="{ name: 'new-training', query: { change: trainingId } }">{{
        t('lead.change')
      }}</RouterLink>
      <PressButton @click="isEnding = true">{{ t('lead.end') }}</PressButton>
    </div>
    <SessionSummary v-if="state.ended && isCounted" :state="state" :events="events" :listed="listed" />
    <TrainingShots
      :listed="listed"
      :is-counted="isCounted"
      :is-over="state.ended !== null"
      :is-begun="isBegun"
    >
      <p v-if="spent && spent.shots > 0" class="soft" data-spent>
        {{ t('lead.spent', { mass: format.mass(spent.grams) }, spent.shots) }}
        <MoneySpent :money="spent.money" />
      </p>
    </TrainingShots>
  </div>
  <EmptyPlace v-else :says="t('lead.notHere')" :action="t('app.toToday')" :to="{ name: 'today' }" />
</template>

<style scoped>
.training {
  display: grid;
  gap: 20px;
  max-width: 1240px;
  margin: 0 auto;
  padding: 24px;
  --touch: 56px;
}
.training p {
  margin: 0;
}
.groups {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(340px, 1fr));
  gap: 24px;
}
.ended,
.break {
  padding: 12px 16px;
  border-left: 6px solid var(--pine);
  background: var(--raised);
}
.reopen {
  margin-left: 16px;
}
.actions :deep(.press-button) {
  min-height: 56px;
}
.link {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
  padding: 0 12px 0 0;
}
</style>
