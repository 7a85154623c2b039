import { useTimeout } from '@vueuse/core'
import { type ComputedRef, computed } from 'vue'
import { answeredAtMs, isAnswering } from '../data/api/reach.ts'
import { useAcademy } from '../data/academy/academy.ts'
import { useDoor } from '../data/door/door.ts'
import { useLiveLine } from '../data/live/liveLine.ts'

/** A line takes a moment to stand: before that nobody is told that it doesn't. */
const MOMENT_MS = 4000

/** `in-step`: what changes elsewhere is here. `behind`: it is here when it is next asked for. `away`: nobody answers. */
export type LineState = 'in-step' | 'behind' | 'away'

/**
 * How far what is shown is as it is elsewhere, for the one place that says so; null for the moment before that is known.
 * `ofMs`: of when it is where it is not in step, by this device's clock; 0 where nobody remembers.
 */
export function useLineState(): ComputedRef<{ state: LineState; ofMs: number } | null> {
  const door = useDoor()
  const line = useLiveLine()
  const academy = useAcademy()
  const isLate = useTimeout(MOMENT_MS)

  return computed(() => {
    const ofMs = answeredAtMs.value || academy.toldAtMs
    if (isAnswering.value === false || door.state === 'remembered') return { state: 'away', ofMs }
    if (line.isLive) return { state: 'in-step', ofMs }
    return isLate.value ? { state: 'behind', ofMs } : null
  })
}
