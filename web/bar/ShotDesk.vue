<script setup lang="ts">
import type { Act } from '@calm-apron/core'
import { Button } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import ShotRails from '../parts/ShotRails.vue'
import CautionNote from '../prepare/words/CautionNote.vue'
import { useAcademy } from '../store/academy.ts'
import { useDoor } from '../store/door.ts'
import { useOutbox } from '../store/outbox.ts'
import { useFormat } from '../units/useFormat.ts'
import ClockFace from './ClockFace.vue'
import { BAR_STEPS, type BarStep, type ShotDraft } from './shotDraft.ts'
import StepList from './StepList.vue'
import StepPanel from './StepPanel.vue'
import { useBarKeys } from './useBarKeys.ts'
import { useDraft } from './useDraft.ts'
import { useIssueWords } from './useIssueWords.ts'
import { useShotClock } from './useShotClock.ts'

const props = defineProps<{ found: ShotDraft }>()
const { t } = useI18n()
const router = useRouter()
const academy = useAcademy()
const door = useDoor()
const outbox = useOutbox()
const format = useFormat()
const issueWords = useIssueWords()

const { draft, read, recipe, grinder, vessels, readings, finish } = useDraft(props.found)
const clock = useShotClock(draft.clock)
const { phase, isRunning, pumpS, dropS } = clock
const isSaving = ref(false)

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

const facts = computed(() => read.value.facts)
const firstIssue = computed(() => read.value.issues[0] ?? null)
const done = computed(() => {
  const { dose, tamp, clock: timed, cup, abandoned, look, taste, grindSetting } = facts.value
  const isKnown: Record<BarStep, boolean> = {
    ready: grindSetting !== null || Object.values(draft.gate).some((answer) => answer !== null),
    dose: dose !== null,
    tamp: tamp.tilt !== null || tamp.settled !== null,
    pull: timed !== null,
    cup: cup !== null || abandoned !== null,
    look: look.stream !== null || look.puck !== null,
    taste: Object.values(taste).some((value) => value !== null),
  }
  return new Set(BAR_STEPS.filter((step) => isKnown[step]))
})
const summaries = computed<Partial<Record<BarStep, string>>>(() => ({
  ...(read.value.dose.netG !== null && { dose: format.mass(read.value.dose.netG) }),
  ...(facts.value.clock && { pull: format.seconds(facts.value.clock.stopS) }),
  ...(read.value.cup.netG !== null && { cup: format.mass(read.value.cup.netG) }),
}))
const nextStep = computed(() => BAR_STEPS[BAR_STEPS.indexOf(draft.step) + 1] ?? null)
const canUndo = computed(
  () => phase.value !== 'before' && (phase.value !== 'stopped' || draft.clock.startedAtMs !== null),
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
    const step = BAR_STEPS[index]
    if (step) draft.step = step
  },
})

async function save(): Promise<void> {
  if (isSaving.value) return
  if (firstIssue.value) {
    draft.step = firstIssue.value.step
    return
  }
  isSaving.value = true
  const { shotId, personId, recipeRevisionId, barId, grinderId, bagId, madeAt } = draft
  await outbox.addShot(shotId, {
    personId,
    recipeRevisionId,
    barId,
    grinderId,
    bagId,
    judgedBy: door.personId,
    pulledAt: madeAt,
    facts: facts.value,
  })
  await finish()
  await router.push({ name: 'reading', params: { shotId } })
}
</script>

<template>
  <div class="desk">
    <p class="who">
      <strong>{{ academy.personName(draft.personId) }}</strong>
      <span class="soft">{{ recipe?.name }}</span>
    </p>
    <nav class="steps" :aria-label="t('bar.steps')">
      <StepList v-model="draft.step" :done="done" :summaries="summaries" />
    </nav>
    <div class="shot">
      <ClockFace
        :phase="phase"
        :pump-s="pumpS"
        :drop-s="dropS"
        :judged-by="recipe?.targets.clock ?? 'pump'"
        :is-estimated="draft.clock.estimated"
        :can-undo="canUndo"
        @next="markNext"
        @stop="clock.stop"
        @undo="clock.undo"
      />
      <ShotRails v-if="readings && recipe" class="rails" :readings="readings" :recipe="recipe.targets" />
    </div>
    <section class="next" :aria-labelledby="'question'">
      <h2 id="question">{{ t(`question.${draft.step}`) }}</h2>
      <StepPanel
        v-model="draft"
        :step="draft.step"
        :read="read"
        :recipe="recipe?.targets ?? null"
        :grinder="grinder"
        :vessels="vessels"
        :phase="phase"
      />
      <div v-if="!isRunning" class="forward">
        <p v-if="firstIssue && firstIssue.step !== draft.step" class="soft" role="status">
          {{
            t('bar.mendFirst', {
              what: `${t(`step.${firstIssue.step}`)}: ${issueWords(firstIssue.issue, draft.massUnit)}`,
            })
          }}
        </p>
        <Button v-if="nextStep" type="primary" @click="draft.step = nextStep">
          {{ t('bar.next', { step: t(`step.${nextStep}`) }) }}
        </Button>
        <Button
          :type="nextStep ? 'default' : 'primary'"
          :disabled="done.size === 0 && firstIssue === null"
          :loading="isSaving"
          @click="save"
        >
          {{ t('bar.save') }}
        </Button>
      </div>
      <CautionNote v-if="act && !isRunning" :key="act" :act="act" />
    </section>
  </div>
</template>

<style scoped>
.desk {
  --touch: 56px;
  font-size: 20px;
  display: grid;
  grid-template: 'who shot next' auto 'steps shot next' 1fr / 236px minmax(0, 1fr) 424px;
  gap: 8px 32px;
  padding: 12px 24px 24px;
  min-height: calc(100vh - 53px);
}
#question {
  font-size: 1.4em;
  margin-bottom: 16px;
}
.who {
  grid-area: who;
  display: grid;
  margin: 0;
}
.steps {
  grid-area: steps;
}
.shot {
  grid-area: shot;
}
.rails {
  margin-top: 24px;
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
  padding-top: 16px;
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
