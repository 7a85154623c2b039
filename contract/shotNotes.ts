import {
  DISTRIBUTIONS,
  DOSE_METHODS,
  FLOW_MARKS,
  LOW_DOSE_RULES,
  POSTURES,
  SIGNS,
  STEP_KEYS,
  type ShotMeasures,
  type ShotNotes,
} from '@calm-apron/core'
import { z } from 'zod'
import { BOUNDS } from './bounds.ts'
import { within } from './primitives.ts'

const answer = z.boolean().nullable()
const seconds = within(BOUNDS.instantS).nullable()

/** What only some houses measure. */
export const shotMeasures = z.strictObject({
  cupMl: within(BOUNDS.cupMl).nullable(),
  tampForceN: within({ min: 0, max: BOUNDS.forceN.max }).nullable(),
  leadG: within(BOUNDS.cupNetG).nullable(),
}) satisfies z.core.$ZodType<ShotMeasures>

/** What was noted at the bar beside what is judged first. */
export const shotNotes = z.strictObject({
  doseMethod: z.enum(DOSE_METHODS).nullable(),
  distributions: z.array(z.enum(DISTRIBUTIONS)).max(DISTRIBUTIONS.length),
  clumps: answer,
  spilt: answer,
  beansInG: within(BOUNDS.doseNetG).nullable(),
  lowDose: z.enum(LOW_DOSE_RULES).nullable(),
  posture: z.enum(POSTURES).nullable(),
  twisted: answer,
  rimWiped: answer,
  lockedFirmly: answer,
  lockToStartS: seconds,
  marks: z
    .array(z.strictObject({ mark: z.enum(FLOW_MARKS), atS: within(BOUNDS.instantS) }))
    .max(BOUNDS.marks.max),
  weightAtStopG: within(BOUNDS.cupNetG).nullable(),
  cupsG: z.tuple([within(BOUNDS.cupNetG), within(BOUNDS.cupNetG)]).nullable(),
  predicted: z.strictObject({ byPersonS: seconds, byToolS: seconds }).nullable(),
  signs: z.partialRecord(z.enum(SIGNS), z.boolean()),
  stepsDone: z.array(z.enum(STEP_KEYS)).max(STEP_KEYS.length),
  selfRating: within(BOUNDS.rating).nullable(),
}) satisfies z.core.$ZodType<ShotNotes>
