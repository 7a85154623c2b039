<script setup lang="ts">
import type { StageOfGroup } from '@calm-apron/contract'
import type { StepsSeen } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import PressButton from '../../kit/parts/PressButton.vue'
import EmptyPlace from '../../kit/parts/EmptyPlace.vue'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import MarkRow from '../../shot/entry/MarkRow.vue'
import StepTicks from '../../shot/entry/StepTicks.vue'
import CallForm from '../../shot/tasting/CallForm.vue'
import { useLive } from '../../shot/training/useLive.ts'
import { useTrainingState } from '../../shot/training/useTrainingState.ts'
import { watchedSteps } from './watchedSteps.ts'
import { useWatching } from './useWatching.ts'

/** Whoever watches: ticks steps, marks the stream, and makes a call of their own, on their own phone. */
const props = defineProps<{ trainingId: string; group: string }>()
const { t } = useI18n()
const router = useRouter()
const academy = useAcademy()
const door = useDoor()
const { state, setup } = useTrainingState(() => props.trainingId)
const { stages } = useLive(() => props.trainingId)

/** Nobody watches their own shot. */
const stage = computed<StageOfGroup | null>(() => {
  const here = stages.value[props.group]
  return here === undefined || here.personId === door.personId ? null : here
})
const { seen, clockS, isRunning, isFlowing, watchedId, keep } = useWatching(() => props.trainingId, stage)
const steps = computed(() => watchedSteps(academy.today?.routines ?? [], setup.value, watchedId.value))
const name = computed(() => academy.personName(watchedId.value ?? ''))

function watched({ stepsDone, stepsPrompted, stepsMissed }: StepsSeen): void {
  Object.assign(seen.value, { stepsDone, stepsPrompted, stepsMissed })
}
async function done(): Promise<void> {
  await keep()
  await router.push({ name: 'training', params: { trainingId: props.trainingId } })
}
</script>

<template>
  <div v-if="state && watchedId" class="watch">
    <h1 tabindex="-1">{{ t('watch.title', { person: name }) }}</h1>
    <p class="soft">{{ t('watch.hint') }}</p>
    <template v-if="isRunning">
      <p class="figure clock" role="status">{{ t('watch.runs', { s: clockS.toFixed(0) }) }}</p>
      <MarkRow v-model="seen.marks" :at-s="clockS" :is-flowing="isFlowing" />
    </template>
    <section v-if="steps.length > 0" aria-labelledby="watched-steps">
      <h2 id="watched-steps">{{ t('watch.steps') }}</h2>
      <StepTicks
        :model-value="{ ...seen, ownSteps: [] }"
        :steps="steps"
        :bench="null"
        @update:model-value="watched"
      />
    </section>
    <section aria-labelledby="own-call">
      <h2 id="own-call">{{ t('watch.call') }}</h2>
      <p v-if="seen.call" role="status">
        {{ t(`heading.${seen.call.verdict}`) }}
        <PressButton kind="text" class="again" @click="seen.call = null">{{ t('watch.again') }}</PressButton>
      </p>
      <CallForm v-else :action="t('watch.say')" :is-tasted="false" @said="seen.call = $event" />
    </section>
    <div class="keep">
      <PressButton kind="primary" is-large @click="done">{{ t('watch.keep') }}</PressButton>
    </div>
  </div>
  <EmptyPlace
    v-else
    :says="t('watch.nobody')"
    :action="t('bar.toTraining')"
    :to="{ name: 'training', params: { trainingId } }"
  />
</template>

<style scoped>
.watch {
  display: grid;
  gap: 20px;
  max-width: 760px;
  margin: 0 auto;
  padding: 16px;
  font-size: 1.125rem;
  --touch: 56px;
}
.watch p {
  margin: 0;
}
.clock {
  font-size: 2rem;
}
.again {
  height: 44px;
}
.keep {
  position: sticky;
  bottom: 0;
  padding: 12px 0;
  background: var(--paper);
}
.keep :deep(.press-button) {
  min-height: 56px;
}
</style>
