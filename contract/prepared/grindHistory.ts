import type { GrindSeen } from '@calm-apron/core'
import { z } from 'zod'
import { calendarDate, id, instant } from '../primitives.ts'

/** Under which recipe; which training’s shots are left out, because whoever asks has them; and until when. */
export const grindHistoryQuery = z.strictObject({
  recipeRevisionId: id,
  exceptTrainingId: id.optional(),
  before: instant.optional(),
})
export type GrindHistoryQuery = z.infer<typeof grindHistoryQuery>

/** What one shot tells of its grinder, with the day it was pulled on: days ago go by whoever reads it. */
export const grindSeenOn = z.strictObject({
  pulledOn: calendarDate,
  coffeeId: id,
  basketId: id.nullable(),
  setting: z.number(),
  innerBurrAt: z.number().nullable(),
  doseG: z.number().nullable(),
  timeS: z.number().nullable(),
  bound: z.enum(['at-least', 'at-most']).nullable(),
  shiftLn: z.number(),
  spreadLn: z.number(),
  isDialIn: z.boolean(),
}) satisfies z.core.$ZodType<Omit<GrindSeen, 'daysAgo'> & { pulledOn: string }>
export type GrindSeenOn = z.infer<typeof grindSeenOn>

/** Oldest first. */
export const grindHistory = z.strictObject({ seen: z.array(grindSeenOn) })
