import { useIntervalFn } from '@vueuse/core'
import { computed, ref } from 'vue'
import { monotonicNowMs } from '../../data/devices/steadyClock.ts'
import { numberTyped } from '../draft/readEntry.ts'
import type { ClockEntry } from '../draft/shotDraft.ts'

export type ClockPhase = 'before' | 'waiting' | 'flowing' | 'stopped'

const REDRAW_EVERY_MS = 100
/** A second touch this soon is the same wet finger. */
const SAME_TOUCH_MS = 350
/** A touch so soon after a first drop that was seen by itself confirms it, and never stops the shot. */
const CONFIRMS_WITHIN_S = 2

/**
 * The clock of one shot over its entry: start, first drop and stop in turn, each to be taken back. A clock found
 * running at the start spans a reload, and its times are marked as estimated.
 */
export function useShotClock(entry: ClockEntry) {
  const nowMs = ref(monotonicNowMs())
  let lastMarkMs = -Infinity
  /** When a first drop was seen by itself, in s from pump start. */
  let seenByItselfS: number | null = null

  const phase = computed<ClockPhase>(() => {
    if (entry.stopText !== '') return 'stopped'
    if (entry.startedAtMs === null) return 'before'
    return entry.firstDropText === '' && entry.unmarkedDrop === null ? 'waiting' : 'flowing'
  })
  const isRunning = computed(() => phase.value === 'waiting' || phase.value === 'flowing')

  const { pause, resume } = useIntervalFn(() => (nowMs.value = monotonicNowMs()), REDRAW_EVERY_MS, {
    immediate: false,
  })
  if (isRunning.value) {
    entry.estimated = true
    resume()
  }

  const sinceStartS = (ms: number) => ((ms - (entry.startedAtMs ?? ms)) / 1000) * entry.pace
  const elapsedS = () => sinceStartS(monotonicNowMs())
  const pumpS = computed(() => {
    if (entry.stopText !== '') return numberTyped(entry.stopText) ?? 0
    return Math.max(0, sinceStartS(nowMs.value))
  })
  /** Null where nothing was marked, or what was typed is no time. */
  function since(markText: string): number | null {
    const markS = numberTyped(markText)
    return markS === null ? null : Math.max(0, pumpS.value - markS)
  }
  const dropS = computed(() => since(entry.firstDropText))
  const pressureS = computed(() => since(entry.releaseText))

  function isSameTouch(): boolean {
    const now = monotonicNowMs()
    const isSame = now - lastMarkMs < SAME_TOUCH_MS
    if (!isSame) lastMarkMs = now
    return isSame
  }

  /** @param atMs when the pump was seen to start, where a gauge saw it a little before now */
  function start(atMs = monotonicNowMs()): void {
    if (phase.value !== 'before' || isSameTouch()) return
    entry.startedAtMs = atMs
    nowMs.value = monotonicNowMs()
    resume()
  }

  /**
   * Nobody started it, and the cup fills: the drop clock is exact, and the pump's seconds are taken to be the usual
   * ones before a first drop, and marked as estimated.
   */
  function startAtDrop(dropAtMs: number, usualFirstDropS: number): void {
    if (phase.value !== 'before') return
    entry.startedAtMs = dropAtMs - (usualFirstDropS * 1000) / entry.pace
    entry.firstDropText = usualFirstDropS.toFixed(1)
    entry.estimated = true
    seenByItselfS = usualFirstDropS
    nowMs.value = monotonicNowMs()
    resume()
  }

  function markFirstDrop(): void {
    if (!isSameTouch()) entry.firstDropText = elapsedS().toFixed(1)
  }

  /** A first drop that a scale saw; a mark made by hand stands. */
  function seeFirstDrop(atS: number): void {
    if (phase.value !== 'waiting') return
    seenByItselfS = elapsedS()
    entry.firstDropText = Math.max(0, atS).toFixed(1)
  }

  /** It flows already, and nobody saw it begin. */
  function missFirstDrop(): void {
    if (phase.value === 'waiting') entry.unmarkedDrop = 'missed'
  }

  function release(): void {
    if (isRunning.value && entry.releaseText === '') entry.releaseText = elapsedS().toFixed(1)
  }

  function stop(): void {
    if (!isRunning.value || isSameTouch()) return
    entry.stopText = elapsedS().toFixed(1)
    pause()
  }

  /** Start, first drop, stop: whichever is next. */
  function markNext(): void {
    if (phase.value === 'before') start()
    else if (phase.value === 'waiting') markFirstDrop()
    else if (phase.value === 'flowing' && !isConfirmation()) stop()
  }

  function isConfirmation(): boolean {
    if (seenByItselfS === null || elapsedS() - seenByItselfS > CONFIRMS_WITHIN_S) return false
    seenByItselfS = null
    lastMarkMs = monotonicNowMs()
    return true
  }

  /** Takes the last mark back; a stop taken back lets the clock run on as if it had not been touched. */
  function undo(): void {
    if (phase.value === 'stopped' && entry.startedAtMs !== null) {
      Object.assign(entry, { stopText: '', lastDripText: '', unmarkedDrop: null })
      nowMs.value = monotonicNowMs()
      resume()
    } else if (phase.value === 'flowing') {
      Object.assign(entry, { firstDropText: '', unmarkedDrop: null })
      seenByItselfS = null
    } else if (phase.value === 'waiting') {
      reset()
    }
  }

  function reset(): void {
    pause()
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

  return {
    phase,
    isRunning,
    pumpS,
    dropS,
    pressureS,
    elapsedS,
    start,
    startAtDrop,
    seeFirstDrop,
    missFirstDrop,
    release,
    markNext,
    stop,
    undo,
    reset,
  }
}
