import { z } from 'zod'
import { ROLES } from './academy.ts'
import { auditEntry } from './audit.ts'
import { BOUNDS } from './bounds.ts'
import { INVITATION_KINDS, ownSession, token } from './doors.ts'
import { id, instant, line, name } from './primitives.ts'
import { shotDetail } from './shot.ts'
import { call, photo, ruling, slip } from './tasting.ts'
import { assessment } from './signOff.ts'
import { familySkill, takeHome } from './skill.ts'
import { watch } from './watching.ts'

/** Whether somebody has come in yet, and still may. */
export const PERSON_STATES = ['invited', 'active', 'ended'] as const

/** A person as the people page shows them. `signInName` and `lastSeenAt` only to heads and to oneself. */
export const personRecord = z.strictObject({
  personId: id,
  displayName: z.string(),
  role: z.enum(ROLES),
  state: z.enum(PERSON_STATES),
  revisionNo: z.int().positive(),
  signInName: z.string().nullable(),
  lastSeenAt: instant.nullable(),
  /** Until when an invitation or reset link still holds. */
  linkUntil: instant.nullable(),
  erasedAt: instant.nullable(),
})
export type PersonRecord = z.infer<typeof personRecord>
/** Everyone of an academy, as far as the asker may know. */
export const peopleList = z.strictObject({ people: z.array(personRecord) })

/** Somebody to be added. */
export const personInput = z.strictObject({ displayName: name, role: z.enum(ROLES) })
export type PersonInput = z.infer<typeof personInput>

/** Empty where it was not worth noting. */
const why = line({ min: 0, max: BOUNDS.reasonLength.max })

/** What is left out stays as it is. */
export const personChange = z.strictObject({
  basedOnNo: z.int().positive(),
  displayName: name.optional(),
  role: z.enum(ROLES).optional(),
  isActive: z.boolean().optional(),
  why,
})
export type PersonChange = z.infer<typeof personChange>

/** The secret of the link is made by the head's device, so that asking twice gives one link. */
export const invitationInput = z.strictObject({ token })
/** A link as it was made: whose, and until when it holds. */
export const invitation = z.strictObject({
  invitationId: id,
  personId: id,
  kind: z.enum(INVITATION_KINDS),
  expiresAt: instant,
})
export type Invitation = z.infer<typeof invitation>

/** Said before a person is erased. */
export const erasurePreview = z.strictObject({
  personId: id,
  displayName: z.string(),
  gone: z.strictObject({ texts: z.int(), sessions: z.int() }),
  kept: z.strictObject({ shots: z.int(), calls: z.int(), slips: z.int(), auditEntries: z.int() }),
})
export type ErasurePreview = z.infer<typeof erasurePreview>
/** The name is typed again, so that nobody is erased by a slip of the finger. */
export const erasureInput = z.strictObject({ displayName: name })

/** All that is kept of one person, as one JSON document. */
export const personExport = z.strictObject({
  format: z.literal('calm-apron-person'),
  version: z.literal(1),
  exportedAt: instant,
  person: personRecord,
  sessions: z.array(ownSession),
  shots: z.array(shotDetail),
  /** How many of their shots are left out until they have made the call that they are asked for. */
  withheldShots: z.int().default(0),
  calls: z.array(call),
  slips: z.array(slip),
  /** What they saw of others' shots. */
  watches: z.array(watch).default([]),
  /** Those they made, and those on their shots, as far as they may be read. */
  rulings: z.array(ruling).default([]),
  /** Those they took, and those of their shots. */
  photos: z.array(z.strictObject({ ...photo.shape, shotId: id })).default([]),
  /** Sentences they were given, and what they can do as it was worked out last, without what is the trainer's view. */
  takeHomes: z.array(takeHome).default([]),
  skill: z.array(familySkill).default([]),
  /** Their assessments, as whoever asked may know them. */
  assessments: z.array(assessment).default([]),
  audit: z.array(auditEntry),
})
export type PersonExport = z.infer<typeof personExport>
