import type { SessionState } from '@calm-apron/contract'
import { v7 as uuidv7 } from 'uuid'
import { behindDoor } from '../database/inAcademy.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import type { House } from '../house.ts'
import { forgetFailures } from './attemptQueries.ts'
import { newToken, tokenHash } from './secrets.ts'
import {
  academyOfDevice,
  endOfDoor,
  insertSession,
  readSessionState,
  rememberSignIn,
  removeOverSessions,
  removeSessionByToken,
} from './sessionQueries.ts'
import { pinKey } from './throttle.ts'
import type { DoorChange, Visitor } from './visitor.ts'

export interface Opened {
  state: SessionState
  door: DoorChange
}

interface Coming {
  academyId: string
  personId: string
  visitor: Visitor
  now: Date
}

/** After a full sign-in: a new session, and this device remembered. */
export async function openAfterFullSignIn(
  transaction: AcademyTransaction,
  coming: Coming & { kind: 'password' | 'demo' },
): Promise<Opened> {
  const { academyId, personId, visitor, now } = coming
  await endOwnFormer(transaction, visitor)
  // A device known to another academy, or to none, becomes a new one: it must not carry anything over.
  const isKnown = (await academyOfDevice(transaction, visitor.deviceHash)) === academyId
  const deviceToken = isKnown ? undefined : newToken()
  const deviceHash = deviceToken === undefined ? (visitor.deviceHash ?? '') : tokenHash(deviceToken)
  await rememberSignIn(transaction, academyId, deviceHash, personId, now)
  await forgetFailures(transaction, pinKey(deviceHash, personId))
  const opened = await open(transaction, coming, deviceHash, now)
  return { ...opened, door: { ...opened.door, ...(deviceToken !== undefined && { deviceToken }) } }
}

/** After a PIN on a device that remembers the person since `fullAt`: a new session that ends no later for it. */
export async function openAfterPin(
  transaction: AcademyTransaction,
  coming: Coming,
  deviceHash: string,
  fullAt: Date,
): Promise<Opened> {
  await endOwnFormer(transaction, coming.visitor)
  return open(transaction, { ...coming, kind: 'pin' }, deviceHash, fullAt)
}

/** Before anything else is touched, in the order in which signing out does it, so that neither waits for the other. */
async function endOwnFormer(transaction: AcademyTransaction, { sessionHash }: Visitor): Promise<void> {
  if (sessionHash !== null) await removeSessionByToken(transaction, sessionHash)
}

async function open(
  transaction: AcademyTransaction,
  { academyId, personId, visitor, now, kind }: Coming & { kind: 'password' | 'demo' | 'pin' },
  deviceHash: string,
  fullAt: Date,
): Promise<Opened> {
  const sessionId = uuidv7()
  const sessionToken = newToken()
  await removeOverSessions(transaction, personId, now)
  await insertSession(transaction, {
    academyId,
    sessionId,
    personId,
    tokenHash: tokenHash(sessionToken),
    deviceHash,
    deviceLabel: visitor.deviceLabel,
    kind,
    startedAt: now,
    lastUsedAt: now,
    endsAt: endOfDoor(fullAt),
  })
  return { state: await readSessionState(transaction, sessionId), door: { sessionToken } }
}

/** Ends whatever session the visitor came with, in whichever academy it was. */
export async function endFormerSession(house: House, { sessionHash }: Visitor): Promise<void> {
  if (sessionHash === null) return
  await behindDoor(house.database, 'session', sessionHash, (transaction) =>
    removeSessionByToken(transaction, sessionHash),
  )
}
