import { OBSERVERS, STEP_KEYS, STEP_TIMERS } from '@calm-apron/core'
import { z } from 'zod'
import { BOUNDS } from '../../bounds.ts'
import { line, name, refuse, within } from '../../primitives.ts'
import { definedKind, firstSteps } from './definedKind.ts'

const text = line(BOUNDS.stepTextLength)

/** One step of a routine. Texts that are left empty are the catalogue's for `key`. */
export const routineStep = z
  .strictObject({
    key: z.enum(STEP_KEYS).nullable(),
    what: text,
    reason: text,
    mistake: text,
    caution: text,
    isSafety: z.boolean(),
    observedBy: z.enum(OBSERVERS),
    timer: z.enum(STEP_TIMERS),
    timerS: within(BOUNDS.timerS).nullable(),
    isInShortView: z.boolean(),
  })
  .superRefine((step, context) => {
    if (step.key === null && step.what === '')
      refuse(context, ['what'], 'missing', 'Say what is done in this step.')
  })
export type RoutineStep = z.infer<typeof routineStep>

/** The steps of one shot as a house does them. */
export const routineContent = z.strictObject({
  name,
  /** Whether a step opens only once the one before it is done. */
  isOrderEnforced: z.boolean(),
  steps: z.array(routineStep).min(1).max(BOUNDS.listLength.max),
})
export type RoutineContent = z.infer<typeof routineContent>

/** Begun from a preset, at a place of its own. */
export const routine = definedKind({
  content: routineContent,
  parent: null,
  begins: null,
  steps: firstSteps(),
})
