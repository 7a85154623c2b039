<script setup lang="ts">
import type { RoutineStep } from '@calm-apron/contract'
import { TIMER_SECONDS, warmUpLeft } from '@calm-apron/core'
import { useIntervalFn } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { monotonicNowMs } from '../../data/devices/steadyClock.ts'
import PressButton from '../../kit/parts/PressButton.vue'
import { useTones } from '../../kit/tones.ts'
import type { StepBench } from './stepBench.ts'

/** What a step is timed by: seconds that run down, a look that ends it, the machine's warm-up, the wait since locking in. */
const props = defineProps<{ step: RoutineStep; bench: StepBench }>()
const emit = defineEmits<{ done: [] }>()
const { t } = useI18n()
const tones = useTones()

const TICK_MS = 200
const nowMs = ref(monotonicNowMs())
/** The machine was switched on by the clock on the wall. */
const wallMs = ref(Date.now())
const startedMs = ref<number | null>(null)
useIntervalFn(() => {
  nowMs.value = monotonicNowMs()
  wallMs.value = Date.now()
  if (props.step.timer === 'flush' && leftS.value === 0) over()
}, TICK_MS)

const seconds = computed(() => props.step.timerS ?? TIMER_SECONDS[props.step.timer])
const sinceS = computed(() =>
  startedMs.value === null ? null : Math.max(0, (nowMs.value - startedMs.value) / 1000),
)
const leftS = computed(() =>
  sinceS.value === null || seconds.value === null
    ? null
    : Math.ceil(Math.max(0, seconds.value - sinceS.value)),
)

function start(): void {
  nowMs.value = monotonicNowMs()
  startedMs.value = nowMs.value
}
function over(): void {
  startedMs.value = null
  tones.play('in-band')
  emit('done')
}

/** Of the group too, not of the lamp alone. */
const warmth = computed(() => {
  const { machine } = props.bench
  if (machine === null) return ''
  const onMs = machine.switchedOnAt === null ? null : Date.parse(machine.switchedOnAt)
  const left = warmUpLeft(onMs, wallMs.value, machine.warmUpMinutes)
  if (left === null) return t('stepTimer.off')
  return left === 0 ? t('stepTimer.warm') : t('stepTimer.warming', left)
})
const lockedS = computed(() => {
  const { lockedInAtMs, pace } = props.bench
  return lockedInAtMs === null ? null : Math.max(0, ((nowMs.value - lockedInAtMs) / 1000) * pace)
})
</script>

<template>
  <div class="timer">
    <template v-if="step.timer === 'flush'">
      <PressButton v-if="sinceS === null" @click="start">{{
        t('stepTimer.run', { s: seconds ?? 0 })
      }}</PressButton>
      <p v-else role="timer" class="figure">{{ t('stepTimer.left', { s: leftS ?? 0 }) }}</p>
    </template>
    <template v-else-if="step.timer === 'until-smooth'">
      <PressButton v-if="sinceS === null" @click="start">{{ t('stepTimer.open') }}</PressButton>
      <template v-else>
        <p role="timer" class="figure">{{ t('stepTimer.since', { s: sinceS.toFixed(0) }) }}</p>
        <PressButton @click="over">{{ t('stepTimer.smooth') }}</PressButton>
      </template>
    </template>
    <p v-else-if="step.timer === 'warm-up'" role="status">{{ warmth }}</p>
    <template v-else-if="step.timer === 'lock-to-start' && lockedS !== null">
      <p role="timer" :class="{ late: lockedS > (seconds ?? Infinity) && !bench.isWaitingToFill }">
        {{ t('stepTimer.locked', { s: lockedS.toFixed(0), within: seconds ?? 0 }) }}
      </p>
      <p v-if="bench.isWaitingToFill">{{ t('stepTimer.filling') }}</p>
      <PressButton v-else-if="bench.machine?.isSelfFilling" @click="bench.waitToFill">{{
        t('stepTimer.fills')
      }}</PressButton>
    </template>
  </div>
</template>

<style scoped>
.timer {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 12px;
  margin: 0 0 6px 52px;
}
.timer p {
  margin: 0;
}
.late {
  color: var(--ochre);
  font-weight: 700;
}
</style>
