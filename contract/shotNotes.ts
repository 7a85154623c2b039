import {
  FACTS,
  FLOW_MARKS,
  SIGNS,
  STEP_KEYS,
  STEP_MARKS,
  type ShapedNotes,
  type ShotMeasures,
  type ShotNotes,
} from '@calm-apron/core'
import { z } from 'zod'
import { BOUNDS } from './bounds.ts'
import { factSchemas, lenientFactSchemas } from './factSchemas.ts'
import { line, within } from './primitives.ts'

const seconds = within(BOUNDS.instantS).nullable()

/** What only some houses measure. */
export const shotMeasures = z.strictObject(
  factSchemas(FACTS.measured),
) satisfies z.core.$ZodType<ShotMeasures>

/** Steps of the routine, by their keys. */
export const stepKeys = z.array(z.enum(STEP_KEYS)).max(STEP_KEYS.length)

/** Marks of the stream, each at its second. */
export const flowMarks = z
  .array(z.strictObject({ mark: z.enum(FLOW_MARKS), atS: within(BOUNDS.instantS) }))
  .max(BOUNDS.marks.max)

/** Notes that have a shape of their own: one without a schema does not compile. */
const shapedNotes = {
  marks: flowMarks,
  // Not asked by the last release.
  weightsSeen: z
    .array(z.strictObject({ atS: within(BOUNDS.instantS), weightG: within(BOUNDS.cupNetG) }))
    .max(BOUNDS.marks.max)
    .default([]),
  cupsG: z.tuple([within(BOUNDS.cupNetG), within(BOUNDS.cupNetG)]).nullable(),
  predicted: z.strictObject({ byPersonS: seconds, byToolS: seconds }).nullable(),
  signs: z.partialRecord(z.enum(SIGNS), z.boolean()),
  stepsDone: stepKeys,
  // Not asked by the last release.
  stepsPrompted: stepKeys.default([]),
  stepsMissed: stepKeys.default([]),
  ownSteps: z
    .array(z.strictObject({ what: line(BOUNDS.stepTextLength), mark: z.enum(STEP_MARKS) }))
    .max(BOUNDS.listLength.max)
    .default([]),
} satisfies { [N in keyof ShapedNotes]: z.core.$ZodType<ShapedNotes[N]> }

/** What was noted at the bar beside what is judged first. */
export const shotNotes = z.strictObject({
  ...lenientFactSchemas(FACTS.noted),
  ...shapedNotes,
}) satisfies z.core.$ZodType<ShotNotes>
