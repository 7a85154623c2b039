import { z } from 'zod'
import { calendarDate, id, instant, pageFields } from './primitives.ts'

/** Everything that leaves a trace. */
export const AUDIT_KINDS = [
  'academy-made',
  'academy-changed',
  'shot-recorded',
  'shot-corrected',
  'prepared-made',
  'prepared-changed',
  'prepared-archived',
  'prepared-restored',
  'call-made',
  'call-skipped',
  'reading-overruled',
  'shot-repurposed',
  'photo-added',
  'take-home-given',
  'assessment-begun',
  'assessment-ended',
  'assessment-decided',
  'assessment-appealed',
  'assessment-reviewed',
  'assessment-answered',
  'assessment-settled',
  'sign-off-withdrawn',
  'training-started',
  'training-changed',
  'training-ended',
  'training-reopened',
  'slip-filled',
  'slip-corrected',
  'slip-skipped',
  'claim-confirmed',
  'claim-denied',
  'tablet-handed',
  'tablet-taken-back',
  'set-aside-kept',
  'set-aside-dropped',
  'person-added',
  'person-renamed',
  'role-changed',
  'person-ended',
  'person-reopened',
  'person-exported',
  'person-erased',
  'link-made',
  'link-used',
  'password-changed',
  'pin-changed',
] as const
export type AuditKind = (typeof AUDIT_KINDS)[number]

/** One trace: who, when, what before, what after, why. Names are those of today; an erased person has none. */
export const auditEntry = z.strictObject({
  auditId: id,
  at: instant,
  kind: z.enum(AUDIT_KINDS),
  /** null: from the command line. */
  actorId: id.nullable(),
  actorName: z.string().nullable(),
  /** Whom it is about, where it is about someone. */
  personId: id.nullable(),
  personName: z.string().nullable(),
  /** The record it changed. */
  subjectId: id,
  /** What stood there, in the shape of what was changed. */
  before: z.unknown(),
  after: z.unknown(),
  why: z.string().nullable(),
})
export type AuditEntry = z.infer<typeof auditEntry>

/** Which traces are asked for: a span of days, one person or record, a page. */
export const auditQuery = z.strictObject({
  personId: id.optional(),
  actorId: id.optional(),
  kind: z.enum(AUDIT_KINDS).optional(),
  from: calendarDate.optional(),
  until: calendarDate.optional(),
  ...pageFields(),
})
export type AuditQuery = z.infer<typeof auditQuery>
/** A page of traces, newest first. */
export const auditList = z.strictObject({
  entries: z.array(auditEntry),
  nextCursor: z.string().nullable(),
})
export type AuditList = z.infer<typeof auditList>
