import { z } from 'zod'
import { academyRecord, person } from './academy.ts'
import { BOUNDS } from './bounds.ts'
import { id, instant, name, timeZone } from './primitives.ts'

/** E-mail-like, but no mail is ever sent to it. Written small, so that a capital does not lock anyone out. */
export const signInName = z
  .string()
  .normalize('NFKC')
  .trim()
  .toLowerCase()
  .regex(/^[^\s\p{C}]*$/u)
  .min(BOUNDS.signInNameLength.min)
  .max(BOUNDS.signInNameLength.max)

/** Long enough; which letters is nobody's business. Whether it is a common one the server says. */
export const password = z.string().min(BOUNDS.passwordLength.min).max(BOUNDS.passwordLength.max)

/** Four to six digits, for coming back on a tablet that knows one. */
export const pin = z.string().regex(/^\d*$/).min(BOUNDS.pinLength.min).max(BOUNDS.pinLength.max)

/** 32 random bytes in base64url. */
export const token = z.string().regex(/^[\w-]{43}$/)

/** What a person claims to be; kept loose, so that a wrong one is simply wrong. */
const anySecret = z.string().min(1).max(BOUNDS.passwordLength.max)

/** Who is at this device, and in which academy. */
export const sessionState = z.strictObject({
  sessionId: id,
  person,
  academy: academyRecord,
  signInName: z.string().nullable(),
  hasPin: z.boolean(),
  /** Set while the tablet is in a trainee's hands for the call and the slip of one shot. */
  handedOver: z.strictObject({ personId: id, shotId: id }).nullable(),
  /** When a full sign-in is asked for again, whatever happens. */
  endsAt: instant,
})
export type SessionState = z.infer<typeof sessionState>

/** A person who may come back at this device with a PIN. */
export const devicePerson = z.strictObject({ personId: id, displayName: name, hasPin: z.boolean() })
export type DevicePerson = z.infer<typeof devicePerson>

/** What the first screen needs to know before anyone is known. */
export const doors = z.strictObject({
  /** No academy of its own is here yet: the first screen offers to make one. */
  canSetUp: z.boolean(),
  /** The made-up academy's people, to come in as with one tap; null where that is not offered. */
  demo: z.strictObject({ academyName: name, people: z.array(person) }).nullable(),
  devicePeople: z.array(devicePerson),
  /** Where others reach this server, if that was said; links are made for there. */
  publicOrigin: z.string().nullable(),
  session: sessionState.nullable(),
})
export type Doors = z.infer<typeof doors>

/** Sign-in name and password. */
export const signInInput = z.strictObject({
  signInName,
  password: anySecret,
})
/** Whom of the demo one comes in as. */
export const demoSignInInput = z.strictObject({ personId: id })
/** Who comes back on this tablet, and their PIN. */
export const pinInput = z.strictObject({ personId: id, pin })
/** The PIN by which a handed tablet is taken back. */
export const takeBackInput = z.strictObject({ pin })
/** The shot for whose call and note a tablet is handed on. */
export const handOverInput = z.strictObject({ shotId: id })

/** An academy and its head, by the code that the server printed. */
export const setUpInput = z.strictObject({
  code: z.string().trim().min(1).max(40),
  academy: z.strictObject({ academyId: id, name, town: name, timeZone }),
  head: z.strictObject({ personId: id, displayName: name, signInName, password }),
})
export type SetUpInput = z.infer<typeof setUpInput>

/** The password of now, and the next. */
export const passwordChange = z.strictObject({ current: anySecret, next: password })
/** null takes the PIN away. */
export const pinChange = z.strictObject({ password: anySecret, pin: pin.nullable() })

/** How somebody came in. */
export const SESSION_KINDS = ['password', 'pin', 'demo'] as const

/** One of a person's own sessions. */
export const ownSession = z.strictObject({
  sessionId: id,
  device: z.string(),
  kind: z.enum(SESSION_KINDS),
  startedAt: instant,
  lastUsedAt: instant,
  isThisOne: z.boolean(),
})
export type OwnSession = z.infer<typeof ownSession>
/** Where somebody is signed in. */
export const ownSessions = z.strictObject({ sessions: z.array(ownSession) })

/** What a link is for: to join, or to choose a new password. */
export const INVITATION_KINDS = ['join', 'reset'] as const

/** The secret of a link, to see whose it is. */
export const invitationLook = z.strictObject({ token })
/** What an invitation that still holds is for. */
export const invitationShown = z.strictObject({
  academyName: name,
  displayName: name,
  kind: z.enum(INVITATION_KINDS),
  /** Given for a reset, where the name stays. */
  signInName: z.string().nullable(),
  expiresAt: instant,
})
export type InvitationShown = z.infer<typeof invitationShown>

/** `signInName` is chosen when joining, and null for a reset. */
export const invitationUse = z.strictObject({ token, signInName: signInName.nullable(), password })
