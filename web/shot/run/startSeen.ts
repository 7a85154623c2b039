import { type ShotSample, fillingSeen } from '@calm-apron/core'
import { monotonicNowMs } from '../../data/devices/steadyClock.ts'
import type { Recorded } from './recorded.ts'

/** A gauge that shows more than this, where nothing was started yet, saw the pump start. */
const PUMP_SEEN_BAR = 1
/** Readings of a gauge in a row, so that no twitch starts a shot. */
const PUMP_SEEN_READINGS = 3
/** A cup is known by its remembered weight, this close, over so many readings. */
const CUP_WITHIN_G = 1.5
const CUP_READINGS = 5
/** So many readings are looked at for a cup that begins to fill. */
const IDLE_SAMPLES = 10

/** What sensors see before anybody started the clock: a pump, a cup that fills, a cup that is set down. */
export function startSeen({ draft, clock, device, cupsG, usualFirstDropS }: Recorded) {
  let underPressure = 0
  /** What the scale showed last while nothing was started. */
  let idle: ShotSample[] = []
  let cupReadings = 0

  /** The machine's own button was pressed: the gauge knows before any finger. */
  function seePressure(bar: number, atS: number): void {
    if (clock.phase.value !== 'before' || draft.step !== 'pull') return void (underPressure = 0)
    underPressure = bar > PUMP_SEEN_BAR ? underPressure + 1 : 0
    if (underPressure < PUMP_SEEN_READINGS) return
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

  function adoptPace(): void {
    draft.clock.pace = device.pace.value
  }

  return { seePressure, seeFilling, seeCup, adoptPace }
}
