import { useIntervalFn } from '@vueuse/core'
import { computed, ref } from 'vue'
import { monotonicNowMs } from '../../data/devices/steadyClock.ts'
import { numberTyped } from '../draft/readEntry.ts'
import type { ClockEntry } from '../draft/shotDraft.ts'

export type ClockPhase = 'before' | 'waiting' | 'flowing' | 'stopped'

const REDRAW_EVERY_MS = 100

function phaseOf(entry: ClockEntry): ClockPhase {
  if (entry.stopText !== '') return 'stopped'
  if (entry.startedAtMs === null) return 'before'
  return entry.firstDropText === '' && entry.unmarkedDrop === null ? 'waiting' : 'flowing'
}

/**
 * What the clock over an entry shows, drawn anew while it runs. One found running at the start spans a reload, and its times
 * are marked as estimated.
 */
export function useClockReading(entry: ClockEntry) {
  const nowMs = ref(monotonicNowMs())
  const phase = computed(() => phaseOf(entry))
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

  /** Runs on from now, as it is seen. */
  function goOn(): void {
    nowMs.value = monotonicNowMs()
    resume()
  }

  return { phase, isRunning, pumpS, dropS, pressureS, elapsedS, goOn, rest: pause }
}
