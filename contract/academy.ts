import {
  FINER_IS,
  VESSEL_KINDS,
  type FreshnessWindow,
  type GrinderScale,
  type Vessel,
} from '@calm-apron/core'
import { z } from 'zod'
import { calendarDate, id, name, timeZone } from './primitives.ts'

export const academy = z.strictObject({
  academyId: id,
  name,
  town: name,
  /** IANA name; dates shown are this zone's. */
  timeZone,
})
export type Academy = z.infer<typeof academy>

/** The academy as it is shown and changed; `isDemo` marks the made-up one. */
export const academyRecord = z.strictObject({
  ...academy.shape,
  isDemo: z.boolean(),
  revisionNo: z.int().positive(),
})
export type AcademyRecord = z.infer<typeof academyRecord>

export const academyChange = z.strictObject({
  basedOnNo: z.int().positive(),
  name,
  town: name,
  timeZone,
})
export type AcademyChange = z.infer<typeof academyChange>

export const ROLES = ['head', 'trainer', 'trainee'] as const

export type Role = (typeof ROLES)[number]

export const person = z.strictObject({ personId: id, displayName: name, role: z.enum(ROLES) })
export type Person = z.infer<typeof person>

export const freshnessWindow = z.strictObject({
  restDays: z.int().nonnegative(),
  bestUntilDays: z.int().positive(),
  usableUntilDays: z.int().positive(),
}) satisfies z.ZodType<FreshnessWindow>

export const bag = z.strictObject({ bagId: id, roastedOn: calendarDate })

export const coffee = z.strictObject({
  coffeeId: id,
  name,
  roaster: name,
  freshness: freshnessWindow,
  bags: z.array(bag),
})
export type Coffee = z.infer<typeof coffee>

export const vessel = z.strictObject({
  id,
  name,
  kind: z.enum(VESSEL_KINDS),
  emptyG: z.number().positive(),
}) satisfies z.ZodType<Vessel>

export const grinder = z.strictObject({
  grinderId: id,
  name,
  minSetting: z.number().nonnegative(),
  maxSetting: z.number().positive(),
  settingStep: z.number().positive(),
  finerIs: z.enum(FINER_IS),
}) satisfies z.ZodType<GrinderScale>
export type Grinder = z.infer<typeof grinder>

export const bar = z.strictObject({
  barId: id,
  name,
  machineName: name,
  grinders: z.array(grinder),
  vessels: z.array(vessel),
})
export type Bar = z.infer<typeof bar>
