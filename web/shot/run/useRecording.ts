import {
  type ShotSample,
  asTyped,
  fillingSeen,
  firstDropSeen,
  flowNow,
  projectedFinishS,
  settledG,
  stopLead,
} from '@calm-apron/core'
import { computed, onScopeDispose, ref, watch } from 'vue'
import type { BarDevice, SensorReading } from '../../data/devices/barDevice.ts'
import { monotonicNowMs } from '../../data/devices/steadyClock.ts'
import { numberTyped } from '../draft/readEntry.ts'
import type { ShotDraft } from '../draft/shotDraft.ts'
import { useTones } from '../../kit/tones.ts'
import type { useSeries } from './useSeries.ts'
import type { useShotClock } from './useShotClock.ts'

/** A gauge that shows more than this, where nothing was started yet, saw the pump start. */
const PUMP_SEEN_BAR = 1
/** Readings of a gauge in a row, so that no twitch starts a shot. */
const PUMP_SEEN_READINGS = 3
/** So much in the cup did not fall in three readings: it began while nothing was heard. */
const SURELY_FLOWS_G = 3
/** A cup is known by its remembered weight, this close, over so many readings. */
const CUP_WITHIN_G = 1.5
const CUP_READINGS = 5
/** So many readings are looked at for a cup that begins to fill. */
const IDLE_SAMPLES = 10
/** Until nothing drips any more, or at the latest. */
const DRIPS_AT_MOST_S = 15

interface Recorded {
  draft: ShotDraft
  clock: ReturnType<typeof useShotClock>
  series: ReturnType<typeof useSeries>
  device: BarDevice
  /** The target in the cup in g, and what dripped after the last stops at this machine. */
  targetG: () => number | null
  leadsG: () => readonly number[]
  /** What the cups of the room weigh empty, in g. */
  cupsG: () => readonly number[]
  /** Whether the tool cues the stop and says where it would end. */
  isHelped: () => boolean
  /** When the first drop usually falls, in s from pump start. */
  usualFirstDropS: () => number
}

/**
 * Records what the sensors see while a shot runs: starts it when a gauge shows pressure, marks the first drop, cues the
 * stop, and takes the cup's weight once it has settled. Whatever stops telling, the clock runs on by hand.
 */
export function useRecording({
  draft,
  clock,
  series,
  device,
  targetG,
  leadsG,
  cupsG,
  isHelped,
  usualFirstDropS,
}: Recorded) {
  const tones = useTones()
  const underPressure = ref(0)
  const isCued = ref(false)
  /** What the scale put into the cup's entry, to be told from what a hand did. */
  let filledIn = ''
  /** What the scale showed last while nothing was started. */
  let idle: ShotSample[] = []
  let cupReadings = 0

  const leadG = computed(() => stopLead(leadsG()))
  const weightG = computed(() => series.weights.value.at(-1)?.weightG ?? null)
  const flow = computed(() => flowNow(series.weights.value))
  const finishS = computed(() => {
    const target = targetG()
    return target === null || !isHelped() || clock.phase.value !== 'flowing'
      ? null
      : projectedFinishS(series.weights.value, target - leadG.value)
  })
  const hasScale = computed(() => device.state.value === 'here' && device.last.value.scale !== undefined)

  /** From the device's clock to s from pump start. */
  const sinceStartS = (atS: number) => atS - ((draft.clock.startedAtMs ?? 0) / 1000) * draft.clock.pace

  function take({ sensor, value, atS }: SensorReading): void {
    if (sensor === 'pressure') seePressure(value, atS)
    if (sensor === 'scale' && clock.phase.value === 'before') {
      seeCup(value)
      seeFilling({ timeS: atS, weightG: value })
    }
    if (draft.clock.startedAtMs === null || isSettled()) return
    const timeS = sinceStartS(atS)
    if (timeS < 0) return
    if (sensor === 'pressure') series.add('pressure', { timeS, weightG: value })
    if (sensor === 'scale' && series.add('weight', { timeS, weightG: value })) weigh()
  }

  /** The machine's own button was pressed: the gauge knows before any finger. */
  function seePressure(bar: number, atS: number): void {
    if (clock.phase.value !== 'before' || draft.step !== 'pull') return void (underPressure.value = 0)
    underPressure.value = bar > PUMP_SEEN_BAR ? underPressure.value + 1 : 0
    if (underPressure.value < PUMP_SEEN_READINGS) return
    adoptPace()
    clock.start(Math.min(monotonicNowMs(), (atS * 1000) / device.pace.value))
  }

  /** No gauge, and nobody at the tablet: the cup itself says that it runs. */
  function seeFilling(sample: ShotSample): void {
    idle = draft.step === 'pull' ? [...idle.slice(-IDLE_SAMPLES), sample] : []
    const first = fillingSeen(idle)
    if (first === null) return
    idle = []
    adoptPace()
    clock.startAtDrop((first.timeS * 1000) / device.pace.value, usualFirstDropS())
  }

  /** A cup that is set down after locking in: it weighs what a known one does, and the scale is tared anew. */
  function seeCup(weightG: number): void {
    const isCup = cupsG().some((emptyG) => Math.abs(weightG - emptyG) < CUP_WITHIN_G)
    cupReadings = draft.lockedInAtMs !== null && isCup ? cupReadings + 1 : 0
    if (cupReadings === CUP_READINGS) device.order({ kind: 'tare' })
  }

  function weigh(): void {
    if (clock.phase.value === 'waiting') {
      const seenS = firstDropSeen(series.weights.value)
      if (seenS !== null) {
        clock.seeFirstDrop(seenS)
        tones.play('first-drop')
      } else if ((weightG.value ?? 0) > SURELY_FLOWS_G) clock.missFirstDrop()
    }
    const target = targetG()
    if (clock.phase.value === 'flowing' && target !== null && isHelped() && !isCued.value) {
      isCued.value = (weightG.value ?? 0) >= target - leadG.value
      if (isCued.value) tones.play('stop')
    }
    if (clock.phase.value === 'stopped') settle()
  }

  function isSettled(): boolean {
    return clock.phase.value === 'stopped' && draft.clock.lastDripText !== ''
  }

  /** The stop and the final weight are both kept. */
  function settle(): void {
    const stopS = numberTyped(draft.clock.stopText)
    if (stopS === null) return
    const lastS = series.weights.value.at(-1)?.timeS ?? 0
    const settled = settledG(series.weights.value.filter(({ timeS }) => timeS >= stopS))
    const isLongEnough = lastS - stopS > DRIPS_AT_MOST_S
    const weight = settled?.weightG ?? (isLongEnough ? weightG.value : null)
    if (weight === null) return
    draft.clock.lastDripText = Math.max(stopS, settled?.lastDripS ?? lastS).toFixed(1)
    // A stop taken back, and made again, weighs again; what was typed stays.
    if (draft.cup.grossText !== '' || draft.cup.netText !== filledIn) return
    filledIn = asTyped(draft.units.mass, Math.max(0, weight))
    draft.cup.way = 'net'
    draft.cup.netText = filledIn
  }

  function adoptPace(): void {
    draft.clock.pace = device.pace.value
  }

  watch(clock.phase, (phase, before) => {
    if (phase === 'before') {
      series.clear()
      isCued.value = false
      draft.noted.weightAtStopG = null
    }
    if (before === 'before' && phase !== 'before') {
      adoptPace()
      device.order({ kind: 'pump', isOn: true })
      noteHeat()
      if (draft.lockedInAtMs !== null && draft.noted.lockToStartS === null) noteLockToStart()
    }
    if (phase === 'stopped') {
      device.order({ kind: 'pump', isOn: false })
      draft.noted.weightAtStopG = weightG.value
      void series.keep()
    }
  })

  /** As the thermometer stood when the pump started; what was typed stays. */
  function noteHeat(): void {
    const atGroup = device.last.value.thermometer
    if (atGroup === undefined || draft.texts.waterC !== '') return
    draft.texts.waterC = asTyped(draft.units.temperature, atGroup.value)
  }

  function noteLockToStart(): void {
    const s = ((monotonicNowMs() - (draft.lockedInAtMs ?? 0)) / 1000) * draft.clock.pace
    // Longer than this and somebody went for a coffee.
    if (s >= 0 && s < 300) draft.noted.lockToStartS = Math.round(s * 10) / 10
  }

  onScopeDispose(device.hear(take))

  return { weightG, flow, finishS, leadG, isCued, hasScale, isSettled }
}
