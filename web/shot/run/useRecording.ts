import { asTyped, firstDropSeen, flowNow, projectedFinishS, stopLead } from '@calm-apron/core'
import { computed, onScopeDispose, ref, watch } from 'vue'
import type { SensorReading } from '../../data/devices/barDevice.ts'
import { useTones } from '../../kit/tones.ts'
import { noteAtStart } from './notedAtStart.ts'
import type { Recorded } from './recorded.ts'
import { settling } from './settling.ts'
import { startSeen } from './startSeen.ts'

/** So much in the cup did not fall in three readings: it began while nothing was heard. */
const SURELY_FLOWS_G = 3

/**
 * Records what the sensors see while a shot runs: starts it when a gauge shows pressure, marks the first drop, cues the
 * stop, and takes the cup's weight once it has settled. Whatever stops telling, the clock runs on by hand.
 */
export function useRecording(recorded: Recorded) {
  const { draft, clock, series, device } = recorded
  const before = startSeen(recorded)
  const { isSettled, settle } = settling(recorded)
  const cup = useCup(recorded)

  /** From the device's clock to s from pump start. */
  const sinceStartS = (atS: number) => atS - ((draft.clock.startedAtMs ?? 0) / 1000) * draft.clock.pace

  function take({ sensor, value, atS }: SensorReading): void {
    if (sensor === 'pressure') before.seePressure(value, atS)
    if (sensor === 'scale' && clock.phase.value === 'before') {
      before.seeCup(value)
      before.seeFilling({ timeS: atS, weightG: value })
    }
    if (draft.clock.startedAtMs === null || isSettled()) return
    const timeS = sinceStartS(atS)
    if (timeS < 0) return
    if (sensor === 'pressure') series.add('pressure', { timeS, weightG: value })
    if (sensor !== 'scale' || !series.add('weight', { timeS, weightG: value })) return
    cup.weigh()
    if (clock.phase.value === 'stopped') settle()
  }

  watch(clock.phase, (phase, was) => {
    if (phase === 'before') {
      series.clear()
      cup.isCued.value = false
      draft.texts.weightAtStopG = ''
    }
    if (was === 'before' && phase !== 'before') {
      before.adoptPace()
      device.order({ kind: 'pump', isOn: true })
      noteAtStart(recorded)
    }
    if (phase === 'stopped') {
      device.order({ kind: 'pump', isOn: false })
      if (cup.weightG.value !== null)
        draft.texts.weightAtStopG = asTyped(draft.units.mass, Math.max(0, cup.weightG.value))
      void series.keep()
    }
  })

  onScopeDispose(device.hear(take))

  const hasScale = computed(() => device.state.value === 'here' && device.last.value.scale !== undefined)
  return { ...cup, hasScale, isSettled }
}

/** The cup while it fills: its weight, the first drop in it, where it would end, and when to stop. */
function useCup({ clock, series, targetG, leadsG, isCueOn, isHelped }: Recorded) {
  const tones = useTones()
  const isCued = ref(false)
  const leadG = computed(() => stopLead(leadsG()))
  const weightG = computed(() => series.weights.value.at(-1)?.weightG ?? null)
  const flow = computed(() => flowNow(series.weights.value))
  /** The weight at which the pump is to be stopped; null where nobody is told, or nothing flows. */
  const stopAtG = computed(() => {
    const target = targetG()
    return target === null || !isCueOn() || clock.phase.value !== 'flowing' ? null : target - leadG.value
  })
  const finishS = computed(() =>
    stopAtG.value === null || !isHelped() ? null : projectedFinishS(series.weights.value, stopAtG.value),
  )

  function seeFirstDrop(): void {
    const seenS = firstDropSeen(series.weights.value)
    if (seenS !== null) {
      clock.seeFirstDrop(seenS)
      tones.play('first-drop')
    } else if ((weightG.value ?? 0) > SURELY_FLOWS_G) clock.missFirstDrop()
  }

  function weigh(): void {
    if (clock.phase.value === 'waiting') seeFirstDrop()
    if (stopAtG.value === null || isCued.value) return
    isCued.value = (weightG.value ?? 0) >= stopAtG.value
    if (isCued.value) tones.play('stop')
  }

  return { weightG, flow, finishS, leadG, stopAtG, isCued, weigh }
}
