<script setup lang="ts">
import { programmeOf } from '@calm-apron/contract'
import {
  type AssessmentKind,
  type Outcomes,
  REVIEW_FINDINGS,
  type ReviewFinding,
  answerBy,
  assessmentRefusal,
  openParts,
  repeatedFrom,
} from '@calm-apron/core'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'
import EmptyPlace from '../../kit/parts/EmptyPlace.vue'
import PressButton from '../../kit/parts/PressButton.vue'
import { useFormat } from '../../kit/units/useFormat.ts'
import { usePartWords } from '../../shot/signOff/usePartWords.ts'
import { useProgrammes } from '../../shot/signOff/useSet.ts'
import CardOfTicks from './CardOfTicks.vue'
import DecideForm from './DecideForm.vue'
import JudgedTable from './JudgedTable.vue'
import OutcomeChoices from './OutcomeChoices.vue'
import SayForm from './SayForm.vue'
import SignFields from './SignFields.vue'
import WhatHappened from './WhatHappened.vue'
import { useAssessment } from './useAssessment.ts'
import { useSigning } from './useSigning.ts'

/** One assessment: what happened in it, what the rules propose with each shot, and what whoever is here may do. */
const props = defineProps<{ assessmentId: string }>()
const { t } = useI18n()
const academy = useAcademy()
const door = useDoor()
const format = useFormat()
const { byId } = useProgrammes()
const { partsWords } = usePartWords()
const { answer, told, events, state, now } = useAssessment(() => props.assessmentId)
const programme = computed(() => byId(state.value?.setup.programmeId ?? '')?.content ?? null)
const person = computed(() => academy.personName(state.value?.setup.personId ?? ''))
const isOwn = computed(() => state.value?.setup.personId === door.personId)
const signing = useSigning(
  () => props.assessmentId,
  async () => answer.load(),
)
const { isBusy, failure, secret, by, isDemo, isSignable } = signing

const may = (kind: Exclude<AssessmentKind, 'begun'>) =>
  state.value !== null &&
  assessmentRefusal(
    state.value,
    kind,
    {
      personId: door.personId,
      isTeaching: door.isStaff,
      isHead: door.part === 'head',
      isOnlyTeacher: academy.teachers.length <= 1,
    },
    now.value,
  ) === null
const judged = computed(() => told.value?.judged ?? null)
const isChanged = computed(() => {
  const signed = state.value?.decided?.digest
  return signed !== undefined && told.value?.digest != null && signed !== told.value.digest
})
/** What is open is said with the stage, and that it alone is repeated. */
const stageWords = computed(() => {
  if (state.value === null) return ''
  const { stage, outcomes, decided, setup } = state.value
  // A look takes nothing away.
  if (stage === 'not-yet' && setup.isLook) return t('signOff.lookAgain.look-off')
  if (stage !== 'not-yet' || decided === null) return t(`signOff.stage.${stage}`)
  return t('signOff.standing.not-yet', {
    parts: partsWords(openParts(outcomes)),
    date: format.calendarDate(repeatedFrom(decided.at, academy.timeZone)),
  })
})
const withdrawing = ref(false)
const finding = ref<ReviewFinding>('stands')
const found = ref<Outcomes>([])
watch(
  judged,
  (parts) => {
    if (parts !== null) found.value = parts.map(({ part, result }) => ({ part, result }))
  },
  { immediate: true },
)
const findings = REVIEW_FINDINGS.map((value) => ({ value, label: t(`signOff.appeal.findings.${value}`) }))
const until = computed(() => {
  const by = state.value === null ? null : answerBy(state.value)
  if (by === null) return ''
  const isOver = now.value > by
  return t(isOver ? 'signOff.appeal.overdue' : 'signOff.appeal.until', {
    date: format.dateOf(by, academy.timeZone),
  })
})
/** Who tasted how many of the cups by their digits. */
const tasters = computed(() => {
  const notes = told.value?.cups.notes ?? []
  return [...new Set(notes.map((note) => note.by))].map((who) => {
    const n = notes.filter((note) => note.by === who).length
    return t('signOff.cups.tasted', { person: academy.personName(who) }, n)
  })
})
</script>

<template>
  <div v-if="state" class="assessment">
    <header>
      <h1 tabindex="-1">
        {{ t('signOff.page.of', { programme: programme?.name ?? t('signOff.page.title'), person }) }}
      </h1>
      <p class="stage" role="status">
        {{ stageWords }}
        <template v-if="state.stage === 'signed' && programme">{{
          t(`signOff.means.${programme.way}`)
        }}</template>
        <template v-if="until">{{ until }}</template>
      </p>
      <p class="soft">
        <RouterLink :to="{ name: 'progress', params: { personId: state.setup.personId } }">{{
          person
        }}</RouterLink>
        <template v-if="state.setup.trainingId">
          ·
          <RouterLink :to="{ name: 'training', params: { trainingId: state.setup.trainingId } }">{{
            t('signOff.page.training')
          }}</RouterLink>
        </template>
        <template v-if="!state.setup.isTasted && state.setup.trainingId">
          · {{ t('signOff.begin.notTasted') }}</template
        >
        <template v-if="state.setup.isLook"> · {{ t('signOff.page.look') }}</template>
        <template v-if="state.setup.isOffline"> · {{ t('signOff.page.isOffline') }}</template>
        <template v-if="state.setup.hasCue"> · {{ t('signOff.page.cue') }}</template>
      </p>
    </header>
    <p v-if="isChanged" class="changed" role="note">{{ t('signOff.page.changed') }}</p>
    <p v-if="isOwn && state.stage === 'running'">{{ t('signOff.page.sealed') }}</p>
    <p v-else-if="isOwn && state.stage === 'to-decide' && state.setup.trainingId">
      {{ t('signOff.page.waits') }}
    </p>
    <p v-if="answer.state.value === 'kept'" class="soft">{{ t('signOff.page.needsLine') }}</p>
    <CardOfTicks
      v-if="state.setup.trainingId === null && programme && may('ticked')"
      :programme="programmeOf(programme)"
      :ticked="state.ticked"
      :is-busy="isBusy"
      :failure="failure"
      @keep="(ticks: string[]) => signing.say({ kind: 'ticked', ticks }, '')"
    />
    <section v-if="judged && judged.length > 0" aria-labelledby="proposal">
      <h2 id="proposal">
        {{ t(state.decided && told?.isBlind === false ? 'signOff.page.came' : 'signOff.page.proposal') }}
      </h2>
      <JudgedTable :judged="judged" :counted="told?.progress?.counted ?? []" :outcomes="state.outcomes" />
      <p v-if="(told?.progress?.references.length ?? 0) > 0" class="references">
        {{ t('signOff.page.references') }}:
        <RouterLink
          v-for="(shotId, no) in told?.progress?.references"
          :key="shotId"
          :to="{ name: 'reading', params: { shotId } }"
          >{{ no + 1 }}</RouterLink
        >
      </p>
      <p v-for="notice in told?.notices ?? []" :key="notice" role="note">
        {{ t(`signOff.notice.${notice}`) }}
      </p>
      <p v-if="tasters.length > 0">{{ t('signOff.page.tasters') }}: {{ tasters.join('; ') }}</p>
    </section>
    <p v-if="state.stage === 'running' && state.setup.isTasted && !isOwn && door.may('sign')">
      <RouterLink class="go" :to="{ name: 'cups', params: { assessmentId } }">{{
        t('signOff.cups.taste')
      }}</RouterLink>
    </p>
    <DecideForm
      v-if="judged && told?.digest && (may('decided') || may('settled'))"
      :key="`${told.digest} ${state.stage}`"
      :assessment-id="assessmentId"
      :judged="judged"
      :digest="told.digest"
      :is-settling="state.stage !== 'to-decide'"
      @done="answer.load()"
    />
    <SayForm
      v-if="judged && may('reviewed')"
      :title="t('signOff.appeal.review')"
      :intro="t('signOff.appeal.blind')"
      :label="t('signOff.page.reason')"
      :action="t('signOff.appeal.keep')"
      :is-busy="isBusy"
      :failure="failure"
      :send="(text) => signing.say({ kind: 'reviewed', finding, outcomes: found }, text)"
    >
      <ChoiceRow v-model="finding" :label="t('signOff.appeal.finding')" :options="findings" />
      <OutcomeChoices v-if="finding === 'otherwise'" v-model="found" :judged="judged" />
    </SayForm>
    <SayForm
      v-if="may('appealed')"
      :title="t('signOff.appeal.title')"
      :intro="t('signOff.appeal.intro')"
      :label="t('signOff.appeal.label')"
      :action="t('signOff.appeal.ask')"
      :is-busy="isBusy"
      :failure="failure"
      :send="(text) => signing.say({ kind: 'appealed' }, text)"
    />
    <SayForm
      v-if="may('answered')"
      :title="t('signOff.appeal.answer')"
      :label="t('signOff.appeal.answer')"
      :action="t('signOff.appeal.send')"
      :is-busy="isBusy"
      :failure="failure"
      :send="(text) => signing.say({ kind: 'answered' }, text)"
    />
    <WhatHappened :events="events" />
    <template v-if="may('withdrawn')">
      <PressButton v-if="!withdrawing" kind="text" @click="withdrawing = true">{{
        t('signOff.appeal.withdraw')
      }}</PressButton>
      <SayForm
        v-else
        :title="t('signOff.appeal.withdraw')"
        :label="t('signOff.page.reason')"
        :action="t('signOff.appeal.withdraw')"
        :is-busy="isBusy || !isSignable"
        :failure="failure"
        :send="(text) => signing.sign({ kind: 'withdrawn' }, text)"
      >
        <SignFields v-model:by="by" v-model:secret="secret" :is-demo="isDemo" />
      </SayForm>
    </template>
  </div>
  <EmptyPlace
    v-else-if="answer.state.value === 'refused'"
    :says="t('signOff.page.notThere')"
    :action="t('app.toToday')"
    :to="{ name: 'today' }"
  />
  <EmptyPlace v-else :says="t('app.loading')" />
</template>

<style scoped>
.assessment {
  max-width: 960px;
  margin: 0 auto;
  padding: 24px;
  display: grid;
  gap: 20px;
}
h1,
h2,
p {
  margin: 0;
}
.stage {
  font-size: 1.2rem;
  margin: 4px 0;
}
.changed {
  padding: 12px 16px;
  border-left: 6px solid var(--ochre);
  background: var(--raised);
}
.go {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
}
.references a {
  min-width: 44px;
  min-height: 44px;
  display: inline-flex;
  align-items: center;
  justify-content: center;
}
</style>
