import type { StepKey } from './steps.ts'

export const STEP_MARKS = ['done', 'prompted', 'missed'] as const
/** How whoever watched saw a step: done unasked, done once it was said, or left out. Unmarked is not watched. */
export type StepMark = (typeof STEP_MARKS)[number]

/** What was seen of the steps of one shot; a step stands in one list at the most. */
export interface StepsSeen {
  stepsDone: StepKey[]
  stepsPrompted: StepKey[]
  stepsMissed: StepKey[]
}

const LIST_OF = {
  done: 'stepsDone',
  prompted: 'stepsPrompted',
  missed: 'stepsMissed',
} as const satisfies Record<StepMark, keyof StepsSeen>

/** How a step was seen; null where it was not watched. */
export function markOfStep(seen: StepsSeen, step: StepKey): StepMark | null {
  return STEP_MARKS.find((mark) => seen[LIST_OF[mark]].includes(step)) ?? null
}

/** What was seen with one step marked so; null: it was not watched after all. */
export function withStepMarked(seen: StepsSeen, step: StepKey, mark: StepMark | null): StepsSeen {
  const marked = (its: StepMark) => {
    const rest = seen[LIST_OF[its]].filter((each) => each !== step)
    return its === mark ? [...rest, step] : rest
  }
  return { stepsDone: marked('done'), stepsPrompted: marked('prompted'), stepsMissed: marked('missed') }
}

/** All of these were watched, and done but for what is marked already. */
export function allWatched(seen: StepsSeen, steps: readonly StepKey[]): StepsSeen {
  const unmarked = steps.filter((step) => markOfStep(seen, step) === null)
  const { stepsDone, stepsPrompted, stepsMissed } = seen
  return { stepsDone: [...stepsDone, ...unmarked], stepsPrompted, stepsMissed }
}

/** The mark that one more tap gives: a step that was watched is done as a rule. */
export function nextMark(mark: StepMark | null): StepMark | null {
  return mark === null ? 'done' : (STEP_MARKS[STEP_MARKS.indexOf(mark) + 1] ?? null)
}

/** Nothing watched. */
export function noStepsSeen(): StepsSeen {
  return { stepsDone: [], stepsPrompted: [], stepsMissed: [] }
}
