import { z } from 'zod'
import { id, name, timeZone } from './primitives.ts'

/** How an academy tells the time of day: 14:05, or 2:05 pm. */
export const CLOCK_HABITS = ['24-hours', '12-hours'] as const
const clockHabit = z.enum(CLOCK_HABITS)
/** How an academy tells the time of day. */
export type ClockHabit = z.infer<typeof clockHabit>

/** An academy as everyone in it is told of it. */
export const academy = z.strictObject({
  academyId: id,
  name,
  town: name,
  /** IANA name; dates shown are this zone's. It was checked when it was taken in, which is slow. */
  timeZone: z.string().min(1),
  clockHabit: clockHabit.default('24-hours'),
})
export type Academy = z.infer<typeof academy>

/** The academy as it is shown and changed; `isDemo` marks the made-up one. */
export const academyRecord = z.strictObject({
  ...academy.shape,
  isDemo: z.boolean(),
  revisionNo: z.int().positive(),
})
export type AcademyRecord = z.infer<typeof academyRecord>

/** What a head may change of an academy, and which revision that is based on. */
export const academyChange = z.strictObject({
  basedOnNo: z.int().positive(),
  name,
  town: name,
  timeZone,
  /** Left out, by pages of the last release too: it stays. */
  clockHabit: clockHabit.exactOptional(),
})
export type AcademyChange = z.infer<typeof academyChange>

/** What somebody is in an academy: a head leads it, a trainer teaches, a trainee learns. */
export const ROLES = ['head', 'trainer', 'trainee'] as const

export type Role = (typeof ROLES)[number]

/** Somebody of an academy, by the name of today. */
export const person = z.strictObject({ personId: id, displayName: name, role: z.enum(ROLES) })
export type Person = z.infer<typeof person>
