import type { DevicePerson, OwnSession, SessionState } from '@calm-apron/contract'
import { and, asc, desc, eq, gt, isNull, lt, lte, ne, or, sql } from 'drizzle-orm'
import type { AcademyTransaction } from '../database/pool.ts'
import { academy, account, person, personName, rememberedSignIn, session } from '../database/schema/index.ts'
import { tellDoors } from '../live/hub.ts'
import { Refusal } from '../refusal.ts'
import { DOOR_LIMITS } from './limits.ts'

const MS_PER_DAY = 86_400_000

/** When a full sign-in at `at` is no longer enough. */
export function endOfDoor(at: Date): Date {
  return new Date(at.getTime() + DOOR_LIMITS.absoluteDays * MS_PER_DAY)
}

const fullSince = (now: Date) => new Date(now.getTime() - DOOR_LIMITS.absoluteDays * MS_PER_DAY)

/** A person with what opens their door; null when there is none, or their account has ended. */
export async function findAccount(
  transaction: AcademyTransaction,
  by: { signInName: string } | { personId: string },
): Promise<{ personId: string; passwordHash: string | null; pinHash: string | null } | null> {
  const [row] = await transaction
    .select({ personId: account.personId, passwordHash: account.passwordHash, pinHash: account.pinHash })
    .from(account)
    .innerJoin(person, eq(person.personId, account.personId))
    .where(
      and(
        'signInName' in by ? eq(account.signInName, by.signInName) : eq(account.personId, by.personId),
        isNull(person.endedAt),
      ),
    )
  return row ?? null
}

/** The academy whose people a device remembers, or null for a device that is new. */
export async function academyOfDevice(
  transaction: AcademyTransaction,
  deviceHash: string | null,
): Promise<string | null> {
  if (deviceHash === null) return null
  const { rows } = await transaction.execute<{ academy_id: string | null }>(
    sql`select academy_behind('device', ${deviceHash}) as academy_id`,
  )
  return rows[0]?.academy_id ?? null
}

/** When this person last signed in fully on this device, or null when not lately. */
export async function findRemembered(
  transaction: AcademyTransaction,
  deviceHash: string | null,
  personId: string,
  now: Date,
): Promise<Date | null> {
  if (deviceHash === null) return null
  const [row] = await transaction
    .select({ fullAt: rememberedSignIn.fullAt })
    .from(rememberedSignIn)
    .where(
      and(
        eq(rememberedSignIn.deviceHash, deviceHash),
        eq(rememberedSignIn.personId, personId),
        gt(rememberedSignIn.fullAt, fullSince(now)),
      ),
    )
  return row?.fullAt ?? null
}

/** People who may come back on this device with a PIN, by name. */
export async function listDevicePeople(
  transaction: AcademyTransaction,
  deviceHash: string,
  now: Date,
): Promise<DevicePerson[]> {
  const rows = await transaction
    .select({
      personId: person.personId,
      displayName: personName.displayName,
      pinHash: account.pinHash,
    })
    .from(rememberedSignIn)
    .innerJoin(person, eq(person.personId, rememberedSignIn.personId))
    .innerJoin(personName, eq(personName.personId, person.personId))
    .leftJoin(account, eq(account.personId, person.personId))
    .where(
      and(
        eq(rememberedSignIn.deviceHash, deviceHash),
        gt(rememberedSignIn.fullAt, fullSince(now)),
        isNull(person.endedAt),
      ),
    )
    .orderBy(asc(personName.displayName))
  return rows.map(({ pinHash, ...rest }) => ({ ...rest, hasPin: pinHash !== null }))
}

export async function rememberSignIn(
  transaction: AcademyTransaction,
  academyId: string,
  deviceHash: string,
  personId: string,
  fullAt: Date,
): Promise<void> {
  await transaction
    .insert(rememberedSignIn)
    .values({ academyId, deviceHash, personId, fullAt })
    .onConflictDoUpdate({
      target: [rememberedSignIn.academyId, rememberedSignIn.deviceHash, rememberedSignIn.personId],
      set: { fullAt },
    })
}

/** Makes a device, all but one, or all of them ask this person for the password again. */
export async function forgetSignIns(
  transaction: AcademyTransaction,
  personId: string,
  where: { device?: string; exceptDevice?: string } = {},
): Promise<void> {
  const { device, exceptDevice } = where
  await transaction
    .delete(rememberedSignIn)
    .where(
      and(
        eq(rememberedSignIn.personId, personId),
        device === undefined ? undefined : eq(rememberedSignIn.deviceHash, device),
        exceptDevice === undefined ? undefined : ne(rememberedSignIn.deviceHash, exceptDevice),
      ),
    )
}

/** Notes that a session was used. */
export async function noteUse(transaction: AcademyTransaction, sessionId: string, at: Date): Promise<void> {
  await transaction.update(session).set({ lastUsedAt: at }).where(eq(session.sessionId, sessionId))
}

export async function insertSession(
  transaction: AcademyTransaction,
  row: typeof session.$inferInsert,
): Promise<void> {
  await transaction.insert(session).values(row)
}

export async function removeSessionByToken(
  transaction: AcademyTransaction,
  tokenHash: string,
): Promise<void> {
  await transaction.delete(session).where(eq(session.tokenHash, tokenHash))
  await tellDoors(transaction)
}

/** Ends one session of a person; tells on which device it was, null where there was none such. */
export async function removeOwnSession(
  transaction: AcademyTransaction,
  personId: string,
  sessionId: string,
): Promise<string | null> {
  const gone = await transaction
    .delete(session)
    .where(and(eq(session.personId, personId), eq(session.sessionId, sessionId)))
    .returning({ deviceHash: session.deviceHash })
  await tellDoors(transaction)
  return gone[0]?.deviceHash ?? null
}

/** Ends a person's sessions, all but one where one is named. */
export async function removeSessions(
  transaction: AcademyTransaction,
  personId: string,
  exceptId?: string,
): Promise<void> {
  await transaction
    .delete(session)
    .where(
      and(
        eq(session.personId, personId),
        exceptId === undefined ? undefined : ne(session.sessionId, exceptId),
      ),
    )
  await tellDoors(transaction)
}

/** Removes a person's sessions that are over by themselves. */
export async function removeOverSessions(
  transaction: AcademyTransaction,
  personId: string,
  now: Date,
): Promise<void> {
  const idleSince = new Date(now.getTime() - DOOR_LIMITS.idleDays * MS_PER_DAY)
  await transaction
    .delete(session)
    .where(
      and(eq(session.personId, personId), or(lte(session.endsAt, now), lt(session.lastUsedAt, idleSince))),
    )
}

export async function listOwnSessions(
  transaction: AcademyTransaction,
  personId: string,
  thisId: string | null,
  now: Date,
): Promise<OwnSession[]> {
  const rows = await transaction
    .select()
    .from(session)
    .where(
      and(
        eq(session.personId, personId),
        gt(session.endsAt, now),
        gt(session.lastUsedAt, new Date(now.getTime() - DOOR_LIMITS.idleDays * MS_PER_DAY)),
      ),
    )
    .orderBy(desc(session.lastUsedAt))
  return rows.map((row) => ({
    sessionId: row.sessionId,
    device: row.deviceLabel,
    kind: row.kind,
    startedAt: row.startedAt.toISOString(),
    lastUsedAt: row.lastUsedAt.toISOString(),
    isThisOne: row.sessionId === thisId,
  }))
}

/**
 * Who is here, told to the one who is.
 * @throws {Refusal} `not-signed-in` when the session was ended in this very moment
 */
export async function readSessionState(
  transaction: AcademyTransaction,
  sessionId: string,
): Promise<SessionState> {
  const state = await findSessionState(transaction, sessionId)
  if (state === null) throw new Refusal('not-signed-in', 'You have been signed out in this moment.')
  return state
}

/** Who is here; null when the session is none. */
export async function findSessionState(
  transaction: AcademyTransaction,
  sessionId: string,
): Promise<SessionState | null> {
  const [row] = await transaction
    .select({ session, person, name: personName.displayName, academy, account })
    .from(session)
    .innerJoin(person, eq(person.personId, session.personId))
    .innerJoin(personName, eq(personName.personId, session.personId))
    .innerJoin(academy, eq(academy.academyId, session.academyId))
    .leftJoin(account, eq(account.personId, session.personId))
    .where(eq(session.sessionId, sessionId))
  if (!row) return null
  const { handedPersonId, handedShotId, endsAt } = row.session
  const { academyId, name, town, timeZone, clockHabit, isDemo, revisionNo } = row.academy
  return {
    sessionId,
    person: { personId: row.person.personId, displayName: row.name, role: row.person.role },
    academy: { academyId, name, town, timeZone, clockHabit, isDemo, revisionNo },
    signInName: row.account?.signInName ?? null,
    hasPin: row.account?.pinHash != null,
    handedOver:
      handedPersonId === null || handedShotId === null
        ? null
        : { personId: handedPersonId, shotId: handedShotId },
    endsAt: endsAt.toISOString(),
  }
}

/** Hands a session to the one who pulled a shot, or (null) takes it back. */
export async function setHandedOver(
  transaction: AcademyTransaction,
  sessionId: string,
  handed: { personId: string; shotId: string } | null,
): Promise<void> {
  await transaction
    .update(session)
    .set({ handedPersonId: handed?.personId ?? null, handedShotId: handed?.shotId ?? null })
    .where(eq(session.sessionId, sessionId))
  await tellDoors(transaction)
}
