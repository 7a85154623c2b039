<script setup lang="ts">
import PressButton from '../../kit/parts/PressButton.vue'
import { type ShotDetail, readableFacts } from '@calm-apron/contract'
import { flowHeadingOf, isOfDialIn, serveScore } from '@calm-apron/core'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import EmptyPlace from '../../kit/parts/EmptyPlace.vue'
import ShotRails from '../../shot/rails/ShotRails.vue'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { type Repurposed, useTasting } from '../../shot/tasting/useTasting.ts'
import { useStartShot } from '../../shot/start/useStartShot.ts'
import DiagnosisCard from './DiagnosisCard.vue'
import DiagnosisReasons from './DiagnosisReasons.vue'
import FigureLine from './FigureLine.vue'
import ReadingHead from './ReadingHead.vue'
import OverruleForm from './OverruleForm.vue'
import RepurposeForm from './RepurposeForm.vue'
import RevisionList from './RevisionList.vue'
import SaidBefore from './SaidBefore.vue'
import ShotCurve from './ShotCurve.vue'
import WatchedBy from './WatchedBy.vue'
import { useNextInTraining } from './useNextInTraining.ts'
import { useAssessments } from '../../shot/signOff/assessments.ts'
import { useShotWith } from '../../shot/start/useShotWith.ts'
import { useShotReading } from '../../shot/reading/useShotReading.ts'

const props = defineProps<{ shotId: string }>()
const { t } = useI18n()
const academy = useAcademy()
const door = useDoor()
const startShot = useStartShot()
const { routineAt } = useShotWith()
const { shot, state, readings, diagnosis, isUnsent } = useShotReading(() => props.shotId)
const tasting = useTasting(
  () => props.shotId,
  () => shot.value?.isCallAsked === true || state.value === 'call-first',
)
/** One form at a time stands open beside the reading. */
const form = ref<'ruling' | 'purpose' | null>(null)
/** The setting that the reading asks for is the one that the next shot begins with; else the one that it had. */
const nextGrind = computed(() => {
  const setting = diagnosis.value?.grindTo?.toSetting ?? shot.value?.current.facts.grindSetting ?? null
  return setting === null ? '' : String(setting)
})
const next = useNextInTraining(() => shot.value, nextGrind)
async function startNext(last: ShotDetail): Promise<void> {
  const { barId, grinderId, bagId, machineId, groupNo } = last
  const same = { barId, grinderId, bagId, machineId, groupNo, grindText: nextGrind.value }
  const routineId = routineAt(machineId)
  await startShot(last.personId, last.recipeRevisionId, { ...same, routineId })
}
const timeS = computed(() => {
  const time = readings.value?.timeAtTarget
  return time?.kind === 'known' ? time.s : null
})
const hasTasting = computed(
  () =>
    tasting.view.value.calls.length +
      tasting.view.value.slips.length +
      tasting.view.value.rulings.length +
      tasting.view.value.photos.length >
    0,
)
/** Before whoever pulled has made their call nothing of the reading is shown, nor before it is known whether they have. */
const assessments = useAssessments()
/** While a set is on nothing of it is read here, whoever is signed in: the tablet stands where its puller looks. */
const isInSet = computed(() => shot.value !== null && assessments.isSealed(shot.value))
const isSealed = computed(
  () => state.value === 'call-first' || (shot.value?.isCallAsked === true && !tasting.isDecided.value),
)
async function keepRuling(...ruling: Parameters<typeof tasting.overrule>): Promise<void> {
  await tasting.overrule(...ruling)
  form.value = null
}

async function keepPurpose(said: Repurposed): Promise<void> {
  await tasting.repurpose(said)
  form.value = null
}
/** The bar's first judgement, held against the reading. */
const servedWords = computed(() => {
  const isRight = readings.value === null ? null : serveScore(readings.value)
  const said = shot.value?.current.facts.noted?.served ?? null
  if (isRight === null || said === null) return ''
  return isRight
    ? t('served.right', { said: t(`fact.served.is.${said}`).toLowerCase() })
    : t(`served.wrong.${said}`)
})

/** One's own to correct is what one pulled and recorded oneself. */
const mayCorrect = computed(() => {
  const recordedBy = shot.value?.revisions.at(-1)?.judgedBy
  const isOwn = shot.value?.personId === door.personId && recordedBy === door.personId
  return door.may('correct-shot', isOwn)
})
</script>

<template>
  <EmptyPlace
    v-if="isSealed && (state === 'call-first' || tasting.isLooked.value)"
    :says="t('reading.callFirst')"
    :action="t('reading.toCall')"
    :to="{ name: 'tasting', params: { shotId } }"
  />
  <EmptyPlace
    v-else-if="isInSet && shot"
    :says="t('reading.sealedInSet')"
    :action="t('reading.backToSet')"
    :to="shot.trainingId ? { name: 'training', params: { trainingId: shot.trainingId } } : { name: 'today' }"
  />
  <div v-else-if="shot && readings && diagnosis && !isSealed" class="reading">
    <ReadingHead class="head" :shot="shot" :repurposings="tasting.view.value.repurposings" />
    <DiagnosisCard
      class="says"
      :diagnosis="diagnosis"
      :readings="readings"
      :grind-setting="shot.current.facts.grindSetting"
      :grinder-id="shot.grinderId"
    />
    <div class="shown">
      <ShotRails :readings="readings" :recipe="readings.of.recipe" />
      <p v-if="servedWords" data-served>{{ servedWords }}</p>
      <FigureLine
        :facts="readableFacts(shot)"
        :recipe="readings.of.recipe"
        :time-s="timeS"
        :changed="readings.of.context.changedSinceLast"
      />
      <p v-if="shot.current.note" class="note">{{ shot.current.note }}</p>
      <ShotCurve :shot="shot" />
      <SaidBefore
        v-if="hasTasting"
        :tasting="tasting.view.value"
        :pulled-by="shot.personId"
        :diagnosis="diagnosis"
        :flow="flowHeadingOf(readings)"
        :fault-shown="shot.faultShown"
      />
      <WatchedBy :noted="shot.current.facts.noted ?? null" :watches="tasting.view.value.watches" />
      <OverruleForm v-if="form === 'ruling'" @ruled="keepRuling" @close="form = null" />
      <RepurposeForm
        v-if="form === 'purpose'"
        :purpose="shot.purpose"
        @said="keepPurpose"
        @close="form = null"
      />
      <RevisionList :revisions="shot.revisions" :grinder-id="shot.grinderId" />
    </div>
    <div class="actions">
      <template v-if="next.inTraining.value">
        <PressButton v-if="next.seat.value" kind="primary" @click="next.begin">
          {{ t('reading.nextPerson', { person: next.name.value }) }}
        </PressButton>
        <RouterLink
          v-if="isOfDialIn(shot.purpose) && shot.trainingId"
          :to="{ name: 'dial-in', params: { trainingId: shot.trainingId } }"
          >{{ t('reading.toDialIn') }}</RouterLink
        >
        <RouterLink
          v-if="shot.trainingId"
          :to="{ name: 'training', params: { trainingId: shot.trainingId } }"
          >{{ t('bar.toTraining') }}</RouterLink
        >
      </template>
      <PressButton v-else kind="primary" @click="startNext(shot)">{{ t('reading.nextShot') }}</PressButton>
      <PressButton v-if="door.may('overrule') && form !== 'ruling'" @click="form = 'ruling'">{{
        t('ruling.overrule')
      }}</PressButton>
      <PressButton v-if="door.may('repurpose-shot') && form !== 'purpose'" @click="form = 'purpose'">{{
        t('repurpose.open')
      }}</PressButton>
      <RouterLink v-if="mayCorrect" :to="{ name: 'correct', params: { shotId } }">{{
        t('reading.correct')
      }}</RouterLink>
      <RouterLink :to="{ name: 'progress', params: { personId: shot.personId } }">
        {{ t('reading.progress', { person: academy.personName(shot.personId) }) }}
      </RouterLink>
      <!-- Below what is pressed: it goes as soon as the shot is sent, and nothing may move under a finger. -->
      <p v-if="isUnsent" class="unsent" role="status">{{ t('reading.unsent') }}</p>
    </div>
    <!-- Open for whoever teaches. -->
    <DiagnosisReasons
      v-if="diagnosis.causes.length > 0"
      class="reasons"
      :diagnosis="diagnosis"
      :is-open="door.may('overrule')"
    />
  </div>
  <EmptyPlace
    v-else-if="state === 'not-there'"
    :says="t('reading.notThere')"
    :action="t('app.toToday')"
    :to="{ name: 'today' }"
  />
  <EmptyPlace v-else-if="state === 'away'" :says="t('reading.offline')" />
  <EmptyPlace v-else :says="t('app.loading')" />
</template>

<style scoped>
.reading {
  display: grid;
  grid-template:
    'head head' auto 'says shown' auto 'actions shown' auto 'reasons shown' 1fr / minmax(0, 1fr)
    minmax(0, 1fr);
  gap: 16px 56px;
  max-width: 1240px;
  margin: 0 auto;
  padding: 24px;
}
.head {
  grid-area: head;
}
.says {
  grid-area: says;
}
.shown {
  grid-area: shown;
}
.reasons {
  grid-area: reasons;
  align-self: start;
}
.actions {
  grid-area: actions;
  align-self: start;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 24px;
}
.unsent {
  flex-basis: 100%;
  margin: 0;
}
.actions a {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
}
.actions :deep(.press-button) {
  min-height: 56px;
  padding-inline: 32px;
  font-size: 1.125rem;
}
@media (max-width: 860px) {
  .reading {
    grid-template: 'head' auto 'says' auto 'actions' auto 'reasons' auto 'shown' auto / minmax(0, 1fr);
    padding: 16px;
  }
}
.note {
  padding: 8px 16px;
  border-left: 4px solid var(--edge);
}
</style>
