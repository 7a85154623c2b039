import { z } from 'zod'
import { id, name, timeZone } from './primitives.ts'

export const academy = z.strictObject({
  academyId: id,
  name,
  town: name,
  /** IANA name; dates shown are this zone's. It was checked when it was taken in, which is slow. */
  timeZone: z.string().min(1),
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
