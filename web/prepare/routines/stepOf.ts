import type { RoutineStep } from '@calm-apron/contract'
import { FULL_VIEW_ONLY, SAFETY_STEPS, type StepKey, TIMER_OF_STEP, TIMER_SECONDS } from '@calm-apron/core'

/** A known step as it ships (its words are the catalogue's), or an empty one of one's own. */
export function stepOf(key: StepKey | null): RoutineStep {
  const timer = (key === null ? undefined : TIMER_OF_STEP[key]) ?? 'none'
  return {
    key,
    what: '',
    reason: '',
    mistake: '',
    caution: '',
    isSafety: key !== null && SAFETY_STEPS.includes(key),
    observedBy: 'trainer',
    timer,
    timerS: TIMER_SECONDS[timer],
    isInShortView: key === null || !FULL_VIEW_ONLY.includes(key),
  }
}
