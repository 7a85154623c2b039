<script setup lang="ts">
import { type Act, type BarStep, isLookedAt } from '@calm-apron/core'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, onMounted } from 'vue'
import { useI18n } from 'vue-i18n'
import ShotRails from '../../shot/rails/ShotRails.vue'
import { doseMethodIn } from '../../shot/dose/doseMethod.ts'
import CautionNote from '../../shot/cautions/CautionNote.vue'
import BarTop from './BarTop.vue'
import ClockFace from './ClockFace.vue'
import HandsPanel from './HandsPanel.vue'
import LiveCurve from '../../shot/curve/LiveCurve.vue'
import { numberTyped } from '../../shot/draft/readEntry.ts'
import { isOfSet } from '../../shot/signOff/ofSet.ts'
import MarkRow from '../../shot/entry/MarkRow.vue'
import type { ShotRun } from '../../shot/run/shotRuns.ts'
import StepList from './StepList.vue'
import PurposeChoice from '../../shot/entry/PurposeChoice.vue'
import SeenWeights from '../../shot/entry/SeenWeights.vue'
import StepPanel from '../../shot/entry/StepPanel.vue'
import StepTimer from '../../shot/routine/StepTimer.vue'
import { useAwakeScreen } from './useAwakeScreen.ts'
import { useBarKeys } from './useBarKeys.ts'
import { useDeskAsks } from './useDeskAsks.ts'
import { useGhost } from './useGhost.ts'
import { unitAt, useIssueWords } from '../../shot/draft/useIssueWords.ts'
import { useSaveShot } from './useSaveShot.ts'
import { askToPersist } from '../../data/device/persistence.ts'
import { useStepBench } from './useStepBench.ts'
import { useStepWords } from '../../shot/routine/useStepWords.ts'
import { useStepsDone } from './useStepsDone.ts'
import { useTellStage } from './useTellStage.ts'

/** One shot under way: its steps, the shot itself, and the next thing. */
const props = defineProps<{ run: ShotRun }>()
const { t } = useI18n()
const issueWords = useIssueWords()

// A desk is made anew for each run.
const { draft, read, recipe, grinder, vessels, basket, readings, clock, series, recording, device } =
  props.run
const { phase, isRunning } = clock
const { steps, done, summaries, nextStep, routineSteps, waitsFor, isWaiting, mark, lockStep } = useStepsDone(
  props.run,
)
const { asks, isWeighed, canStartAtDrop, startAtDrop } = useDeskAsks(props.run)
const bench = useStepBench(props.run)
const stepWords = useStepWords()
const { save, isSaving, firstIssue } = useSaveShot(props.run)
const ghost = useGhost(draft)
useTellStage(props.run)
useAwakeScreen()
onMounted(askToPersist)

/** Steps at which someone can be hurt. */
const ACT_OF_STEP: Partial<Record<BarStep, Act>> = {
  ready: 'machine',
  dose: 'grinder',
  tamp: 'tamp',
  pull: 'pull',
  look: 'knock-out',
  taste: 'taste',
}
const act = computed(() => ACT_OF_STEP[draft.step])
/** The pull's own caution stands with the last step where the day looks at no pull. */
const isPulledHere = computed(() => steps.value.includes('pull'))
const actsAfter = computed(() =>
  isPulledHere.value || nextStep.value !== null ? [] : (['pull', 'knock-out'] as const),
)
const canUndo = computed(
  () => phase.value !== 'before' && (phase.value !== 'stopped' || draft.clock.startedAtMs !== null),
)
const isShotShown = computed(() => draft.step === 'pull' || phase.value !== 'before')
const canRelease = computed(
  () =>
    isRunning.value &&
    draft.clock.releaseText === '' &&
    (props.run.machine.value?.preinfusion === 'held' || recipe.value?.targets.clock === 'pressure'),
)

function markNext(): void {
  draft.step = 'pull'
  clock.markNext()
}

useBarKeys({
  space: markNext,
  isClockFirst: () => draft.step === 'pull' || isRunning.value,
  undo: () => canUndo.value && clock.undo(),
  step: (index) => {
    const step = steps.value[index]
    if (step && !isWaiting(step)) draft.step = step
  },
})
</script>

<template>
  <div class="desk">
    <BarTop class="who" :run="run" />
    <nav class="steps" :aria-label="t('bar.steps')">
      <StepList
        v-model="draft.step"
        :seen="draft.noted"
        :steps="steps"
        :done="done"
        :summaries="summaries"
        :routine-steps="routineSteps"
        :waits-for="waitsFor"
        :is-waiting="isWaiting"
        :bench="bench"
        @update:seen="Object.assign(draft.noted, $event)"
      />
    </nav>
    <div class="shot">
      <ClockFace
        v-if="isPulledHere"
        :phase="phase"
        :pump-s="clock.pumpS.value"
        :drop-s="clock.dropS.value"
        :pressure-s="clock.pressureS.value"
        :judged-by="recipe?.targets.clock ?? 'pump'"
        :is-estimated="draft.clock.estimated"
        :can-undo="canUndo"
        :can-release="canRelease"
        :can-start-at-drop="canStartAtDrop"
        :weight-g="
          recording.hasScale.value || series.weights.value.length > 0 ? recording.weightG.value : null
        "
        :flow-g-per-s="phase === 'flowing' ? recording.flow.value : null"
        :is-stop-cued="phase === 'flowing' && recording.isCued.value"
        @next="markNext"
        @stop="clock.stop"
        @release="clock.release"
        @undo="clock.undo"
        @dropped="startAtDrop"
      />
      <StepTimer
        v-if="draft.step === 'pull' && bench.lockedInAtMs !== null"
        :step="lockStep"
        :bench="bench"
      />
      <SeenWeights
        v-if="phase === 'flowing' && !recording.hasScale.value && isWeighed"
        v-model="draft"
        :at-s="clock.pumpS.value"
        :first-drop-s="numberTyped(draft.clock.firstDropText)"
        :stop-at-g="recording.stopAtG.value"
      />
      <LiveCurve
        v-if="recipe && isShotShown"
        :recipe="recipe.targets"
        :clock="draft.clock"
        :now-s="clock.pumpS.value"
        :weights="series.weights.value"
        :count="series.weights.value.length"
        :ghost="run.help.isOn.value ? ghost : []"
        :finish-s="recording.finishS.value"
        :stop-at-g="recipe.targets.yieldG - recording.leadG.value"
      />
      <MarkRow
        v-if="isRunning && isLookedAt(draft.focus, 'stream')"
        v-model="draft.noted.marks"
        :at-s="clock.pumpS.value"
        :is-flowing="phase === 'flowing'"
      />
      <ShotRails
        v-else-if="readings && recipe && !isOfSet(draft)"
        class="rails"
        :readings="readings"
        :recipe="recipe.targets"
        :dose-by="doseMethodIn(draft, recipe)"
      />
    </div>
    <section class="next" :aria-labelledby="'question'">
      <h2 id="question">{{ t(`question.${asks}`) }}</h2>
      <StepPanel
        v-model="draft"
        :step="draft.step"
        :read="read"
        :recipe="recipe"
        :grinder="grinder"
        :vessels="vessels"
        :basket="basket"
        :device="device"
        :phase="phase"
        @locked-in="draft.step = 'pull'"
      />
      <PurposeChoice v-if="draft.step === steps[0]" v-model="draft" />
      <div v-if="!isRunning" class="forward">
        <p v-if="firstIssue && firstIssue.step !== draft.step" class="soft" role="status">
          {{
            t('bar.mendFirst', {
              what: `${t(`step.${firstIssue.step}`)}: ${issueWords(firstIssue.issue, unitAt(firstIssue.field, draft.units))}`,
            })
          }}
        </p>
        <template v-if="nextStep && waitsFor && isWaiting(nextStep)">
          <p role="status">{{ t('waits.for', { step: stepWords.said(waitsFor, 'what') }) }}</p>
          <PressButton kind="primary" @click="mark(waitsFor, 'done')">{{ t('waits.done') }}</PressButton>
          <PressButton @click="mark(waitsFor, 'missed')">{{ t('waits.missed') }}</PressButton>
        </template>
        <PressButton v-else-if="nextStep" kind="primary" @click="draft.step = nextStep">
          {{ t('bar.next', { step: t(`step.${nextStep}`) }) }}
        </PressButton>
        <PressButton
          :kind="nextStep ? 'plain' : 'primary'"
          :disabled="done.size === 0 && firstIssue === null"
          :is-busy="isSaving"
          @click="save"
        >
          {{ t(draft.isCallAsked ? 'bar.saveCall' : 'bar.save') }}
        </PressButton>
      </div>
      <HandsPanel v-if="device.isStandIn.value && !isRunning" :run="run" />
      <CautionNote v-if="act && !isRunning" :key="act" :act="act" :also="actsAfter" />
    </section>
  </div>
</template>

<style scoped>
.desk {
  --touch: 56px;
  font-size: 20px;
  display: grid;
  grid-template: 'who who who' auto 'steps shot next' 1fr / 248px minmax(0, 1fr) 424px;
  gap: 8px 28px;
  padding: 8px 24px 24px;
  min-height: calc(100vh - 53px);
}
#question {
  font-size: 1.4em;
  margin-bottom: 12px;
}
.who {
  grid-area: who;
}
.steps {
  grid-area: steps;
}
.shot {
  grid-area: shot;
  min-width: 0;
}
.rails {
  margin-top: 16px;
  font-size: 18px;
}
.next {
  grid-area: next;
  display: flex;
  flex-direction: column;
  padding-left: 24px;
  border-left: 1px solid var(--mist);
}
.forward {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin-top: auto;
  padding: 16px 0;
}
.forward > button {
  flex: 1;
}
.forward > p {
  flex-basis: 100%;
}
@media (max-width: 1100px) {
  .desk {
    grid-template: 'who who' auto 'steps steps' auto 'shot next' 1fr / 1fr 1fr;
  }
}
@media (max-width: 760px) {
  .desk {
    grid-template: 'who' auto 'steps' auto 'next' auto 'shot' auto / minmax(0, 1fr);
    padding: 12px 16px;
    font-size: 18px;
  }
  .next {
    padding-left: 0;
    border-left: 0;
  }
}
</style>
