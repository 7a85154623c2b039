import { monotonicNowMs } from '../../data/devices/steadyClock.ts'
import type { ClockEntry } from '../draft/shotDraft.ts'
import { touches } from './touches.ts'
import { useClockReading } from './useClockReading.ts'

/** A touch so soon after a first drop that was seen by itself confirms it, and never stops the shot. */
const CONFIRMS_WITHIN_S = 2

type Reading = ReturnType<typeof useClockReading>

/** The clock of one shot over its entry: start, first drop and stop in turn, each to be taken back. */
export function useShotClock(entry: ClockEntry) {
  const reading = useClockReading(entry)
  const { phase, isRunning, elapsedS, rest } = reading
  const touch = touches()
  const seen = seenByItself(entry, reading)

  /** @param atMs when the pump was seen to start, where a gauge saw it a little before now */
  function start(atMs = monotonicNowMs()): void {
    if (phase.value !== 'before' || touch.isSame()) return
    entry.startedAtMs = atMs
    reading.goOn()
  }

  function release(): void {
    if (isRunning.value && entry.releaseText === '') entry.releaseText = elapsedS().toFixed(1)
  }

  function stop(): void {
    if (!isRunning.value || touch.isSame()) return
    entry.stopText = elapsedS().toFixed(1)
    rest()
  }

  /** Start, first drop, stop: whichever is next. */
  function markNext(): void {
    if (phase.value === 'before') start()
    else if (phase.value === 'waiting') markFirstDrop()
    else if (phase.value === 'flowing') {
      if (seen.isConfirmedNow()) touch.took()
      else stop()
    }
  }

  function markFirstDrop(): void {
    if (!touch.isSame()) entry.firstDropText = elapsedS().toFixed(1)
  }

  const { startAtDrop, seeFirstDrop, missFirstDrop } = seen
  const { undo, reset } = takingBack(entry, reading, seen.forget)
  return { ...reading, start, startAtDrop, seeFirstDrop, missFirstDrop, release, markNext, stop, undo, reset }
}

/** The first drop as a scale or the filling cup saw it, without anyone's touch. */
function seenByItself(entry: ClockEntry, { phase, elapsedS, goOn }: Reading) {
  /** In s from pump start. */
  let atS: number | null = null

  /**
   * Nobody started it, and the cup fills: the drop clock is exact, and the pump's seconds are taken to be the usual
   * ones before a first drop, and marked as estimated.
   * @param isByHand a touch said so: then the next one confirms nothing
   */
  function startAtDrop(dropAtMs: number, usualFirstDropS: number, isByHand = false): void {
    if (phase.value !== 'before') return
    entry.startedAtMs = dropAtMs - (usualFirstDropS * 1000) / entry.pace
    entry.firstDropText = usualFirstDropS.toFixed(1)
    entry.estimated = true
    atS = isByHand ? null : usualFirstDropS
    goOn()
  }

  /** A first drop that a scale saw; a mark made by hand stands. */
  function seeFirstDrop(seenAtS: number): void {
    if (phase.value !== 'waiting') return
    atS = elapsedS()
    entry.firstDropText = Math.max(0, seenAtS).toFixed(1)
  }

  /** It flows already, and nobody saw it begin. */
  function missFirstDrop(): void {
    if (phase.value === 'waiting') entry.unmarkedDrop = 'missed'
  }

  /** Whether a touch now says what was seen; it does so once. */
  function isConfirmedNow(): boolean {
    if (atS === null || elapsedS() - atS > CONFIRMS_WITHIN_S) return false
    atS = null
    return true
  }

  return { startAtDrop, seeFirstDrop, missFirstDrop, isConfirmedNow, forget: () => (atS = null) }
}

function takingBack(entry: ClockEntry, { phase, goOn, rest }: Reading, forgetSeen: () => void) {
  /** Takes the last mark back; a stop taken back lets the clock run on as if it had not been touched. */
  function undo(): void {
    if (phase.value === 'stopped' && entry.startedAtMs !== null) {
      Object.assign(entry, { stopText: '', lastDripText: '', unmarkedDrop: null })
      goOn()
    } else if (phase.value === 'flowing') {
      Object.assign(entry, { firstDropText: '', unmarkedDrop: null })
      forgetSeen()
    } else if (phase.value === 'waiting') {
      reset()
    }
  }

  function reset(): void {
    rest()
    Object.assign(entry, {
      startedAtMs: null,
      releaseText: '',
      firstDropText: '',
      stopText: '',
      lastDripText: '',
      unmarkedDrop: null,
      estimated: false,
    } satisfies Partial<ClockEntry>)
  }

  return { undo, reset }
}
