import type { RoutineStep, StepKey } from './steps.ts'

export const STEP_MARKS = ['done', 'prompted', 'missed'] as const
/** How whoever watched saw a step: done unasked, done once it was said, or left out. Unmarked is not watched. */
export type StepMark = (typeof STEP_MARKS)[number]

/** How a step of a house's own was seen, by its words: it has no other name. */
export interface OwnStepSeen {
  what: string
  mark: StepMark
}

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
export function allWatched(seen: AllStepsSeen, steps: readonly MarkedStep[]): AllStepsSeen {
  return steps
    .filter((step) => markOf(seen, step) === null)
    .reduce((marked, step) => withMarked(marked, step, 'done'), seen)
}

/** The mark that one more tap gives: a step that was watched is done as a rule. */
export function nextMark(mark: StepMark | null): StepMark | null {
  return mark === null ? 'done' : (STEP_MARKS[STEP_MARKS.indexOf(mark) + 1] ?? null)
}

/** A step as it is marked: by its name, or by the words of a house's own. */
export type MarkedStep = Pick<RoutineStep, 'key' | 'what'>

/** What was seen of all steps of a routine, a house's own among them. */
export interface AllStepsSeen extends StepsSeen {
  ownSteps: OwnStepSeen[]
}

/** How any step was seen; null where it was not watched. */
export function markOf(seen: AllStepsSeen, { key, what }: MarkedStep): StepMark | null {
  if (key !== null) return markOfStep(seen, key)
  return seen.ownSteps.find((each) => each.what === what)?.mark ?? null
}

/** What was seen with any step marked so; null: it was not watched after all. */
export function withMarked(
  seen: AllStepsSeen,
  { key, what }: MarkedStep,
  mark: StepMark | null,
): AllStepsSeen {
  if (key !== null) return { ...withStepMarked(seen, key, mark), ownSteps: seen.ownSteps }
  const rest = seen.ownSteps.filter((each) => each.what !== what)
  return { ...seen, ownSteps: mark === null ? rest : [...rest, { what, mark }] }
}

/** The first of some steps that nobody has marked: in an enforced routine the only one that can be marked next. */
export function firstOpen<S extends MarkedStep>(seen: AllStepsSeen, steps: readonly S[]): S | null {
  return steps.find((step) => markOf(seen, step) === null) ?? null
}

/** Nothing watched. */
export function noStepsSeen(): StepsSeen {
  return { stepsDone: [], stepsPrompted: [], stepsMissed: [] }
}
