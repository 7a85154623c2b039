import { useIntervalFn } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { ClockEntry } from './shotDraft.ts'

export type ClockPhase = 'before' | 'waiting' | 'flowing' | 'stopped'

const REDRAW_EVERY_MS = 100
/** A second touch this soon is the same wet finger. */
const SAME_TOUCH_MS = 350

/** Monotonic within this page: no correction of the wall clock reaches it. */
function monotonicNowMs(): number {
  return performance.timeOrigin + performance.now()
}

/**
 * The clock of one shot over its entry: start, first drop and stop in turn, each to be taken back. A clock found
 * running at the start spans a reload, and its times are marked as estimated.
 */
export function useShotClock(entry: ClockEntry) {
  const nowMs = ref(monotonicNowMs())
  let lastMarkMs = -Infinity

  const phase = computed<ClockPhase>(() => {
    if (entry.stopText !== '') return 'stopped'
    if (entry.startedAtMs === null) return 'before'
    return entry.firstDropText === '' ? 'waiting' : 'flowing'
  })
  const isRunning = computed(() => phase.value === 'waiting' || phase.value === 'flowing')

  const { pause, resume } = useIntervalFn(() => (nowMs.value = monotonicNowMs()), REDRAW_EVERY_MS, {
    immediate: false,
  })
  if (isRunning.value) {
    entry.estimated = true
    resume()
  }

  const elapsedS = () => (monotonicNowMs() - (entry.startedAtMs ?? monotonicNowMs())) / 1000
  const pumpS = computed(() => {
    if (entry.stopText !== '') return Number(entry.stopText)
    return entry.startedAtMs === null ? 0 : Math.max(0, (nowMs.value - entry.startedAtMs) / 1000)
  })
  const dropS = computed(() =>
    entry.firstDropText === '' ? null : Math.max(0, pumpS.value - Number(entry.firstDropText)),
  )

  function isSameTouch(): boolean {
    const now = monotonicNowMs()
    const isSame = now - lastMarkMs < SAME_TOUCH_MS
    if (!isSame) lastMarkMs = now
    return isSame
  }

  function start(): void {
    if (isSameTouch()) return
    entry.startedAtMs = monotonicNowMs()
    nowMs.value = entry.startedAtMs
    resume()
  }

  function markFirstDrop(): void {
    if (!isSameTouch()) entry.firstDropText = elapsedS().toFixed(1)
  }

  function stop(): void {
    if (isSameTouch()) return
    entry.stopText = elapsedS().toFixed(1)
    pause()
  }

  /** Start, first drop, stop: whichever is next. */
  function markNext(): void {
    if (phase.value === 'before') start()
    else if (phase.value === 'waiting') markFirstDrop()
    else if (phase.value === 'flowing') stop()
  }

  /** Takes the last mark back; a stop taken back lets the clock run on as if it had not been touched. */
  function undo(): void {
    if (phase.value === 'stopped' && entry.startedAtMs !== null) {
      entry.stopText = ''
      entry.unmarkedDrop = null
      nowMs.value = monotonicNowMs()
      resume()
    } else if (phase.value === 'flowing') {
      entry.firstDropText = ''
    } else if (phase.value === 'waiting') {
      reset()
    }
  }

  function reset(): void {
    pause()
    Object.assign(entry, {
      startedAtMs: null,
      firstDropText: '',
      stopText: '',
      unmarkedDrop: null,
      estimated: false,
    } satisfies ClockEntry)
  }

  return { phase, isRunning, pumpS, dropS, markNext, stop, undo, reset }
}
