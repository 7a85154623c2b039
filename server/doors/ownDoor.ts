import type { SessionState } from '@calm-apron/contract'
import { leaveTrace } from '../audit/trace.ts'
import type { Errand } from '../http/serve.ts'
import { Refusal } from '../refusal.ts'
import { findShotOwner } from '../shots/queries.ts'
import { setPassword, setPin } from './accountQueries.ts'
import { notThere } from './actor.ts'
import { refuseEasyPin, refuseGuessable } from './passwordRules.ts'
import { hashSecret } from './secrets.ts'
import {
  findAccount,
  forgetSignIns,
  readSessionState,
  removeOwnSession,
  removeSessions,
  setHandedOver,
} from './sessionQueries.ts'

/** Signs out here; this device asks for the password next time. */
export async function signOut({ actor, transaction }: Errand): Promise<void> {
  await removeOwnSession(transaction, actor.holderId, actor.sessionId)
  await forgetSignIns(transaction, actor.holderId, { device: actor.deviceHash })
}

/** Signs out on every device. */
export async function signOutEverywhere({ actor, transaction }: Errand): Promise<void> {
  await removeSessions(transaction, actor.holderId)
  await forgetSignIns(transaction, actor.holderId)
}

/**
 * Ends one of a person's sessions, as on a tablet that was lost: there the password is asked for again.
 * @throws {Refusal} `not-found`
 */
export async function endSession({ actor, transaction }: Errand, sessionId: string): Promise<void> {
  const device = await removeOwnSession(transaction, actor.personId, sessionId)
  if (device === null) throw notThere()
  await forgetSignIns(transaction, actor.personId, { device })
}

/**
 * Changes a password and ends the person's other sessions, and the ways in by PIN on other devices.
 * @throws {Refusal} `invalid-input` for a common one
 */
export async function changePassword(errand: Errand, next: string): Promise<void> {
  const { actor, transaction } = errand
  refuseGuessable(next, 'next', await ownNames({ actor, transaction }))
  await setPassword(transaction, actor.personId, await hashSecret(next))
  await removeSessions(transaction, actor.personId, actor.sessionId)
  // Elsewhere the PIN alone would still do.
  await forgetSignIns(transaction, actor.personId, { exceptDevice: actor.deviceHash })
  await traceOwn(errand, 'password-changed')
}

/** Sets a PIN, or (null) takes it away. */
export async function changePin(errand: Errand, pin: string | null): Promise<SessionState> {
  const { actor, transaction } = errand
  if (pin !== null) refuseEasyPin(pin, 'pin')
  await setPin(transaction, actor.personId, pin === null ? null : await hashSecret(pin))
  await traceOwn(errand, 'pin-changed')
  return readSessionState(transaction, actor.sessionId)
}

/**
 * Hands the tablet to the one who pulled a shot.
 * @throws {Refusal} `not-found` for a shot that is not there; `pin-needed` where the holder could not take it back
 */
export async function handOver({ actor, transaction, now }: Errand, shotId: string): Promise<SessionState> {
  const pulled = await findShotOwner(transaction, shotId)
  if (pulled === null) throw notThere()
  const account = await findAccount(transaction, { personId: actor.personId })
  if (account === null || account.pinHash === null)
    throw new Refusal('pin-needed', 'Set a PIN first: with it you take the tablet back.')
  await setHandedOver(transaction, actor.sessionId, { personId: pulled.personId, shotId })
  const { academyId, personId: actorId } = actor
  const trace = {
    academyId,
    kind: 'tablet-handed',
    actorId,
    personId: pulled.personId,
    subjectId: shotId,
  } as const
  await leaveTrace(transaction, trace, now)
  return readSessionState(transaction, actor.sessionId)
}

/** Takes a handed tablet back. */
export async function takeBack({ actor, transaction, now }: Errand): Promise<SessionState> {
  const { academyId, holderId: actorId, personId, handedShotId } = actor
  const subjectId = handedShotId ?? actor.sessionId
  await leaveTrace(transaction, { academyId, kind: 'tablet-taken-back', actorId, personId, subjectId }, now)
  await setHandedOver(transaction, actor.sessionId, null)
  return readSessionState(transaction, actor.sessionId)
}

async function ownNames({ actor, transaction }: Pick<Errand, 'actor' | 'transaction'>): Promise<string[]> {
  const { person: own, signInName, academy } = await readSessionState(transaction, actor.sessionId)
  return [own.displayName, signInName ?? '', academy.name]
}

async function traceOwn(
  { actor, transaction, now }: Errand,
  kind: 'password-changed' | 'pin-changed',
): Promise<void> {
  const { academyId, personId } = actor
  await leaveTrace(transaction, { academyId, kind, actorId: personId, personId, subjectId: personId }, now)
}
