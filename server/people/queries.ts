import { type PersonRecord, type Role, teaches } from '@calm-apron/contract'
import { and, asc, count, eq, gt, isNull, ne, or, sql } from 'drizzle-orm'
import { anyOf } from '../database/anyOf.ts'
import { keptQuery } from '../database/keptQuery.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import {
  academy,
  account,
  audit,
  call,
  freeText,
  invitation,
  person,
  personName,
  session,
  shot,
  slip,
} from '../database/schema/index.ts'

/** By a password; or by a tap, as one of the demo's people who has no account of their own. */
const CAN_COME_IN = sql`(${account.passwordHash} is not null or ${academy.isDemo} and ${account.personId} is null)`

/** Of an outer join: nothing is decoded, and null comes back, where there is no row. */
const asInstant = (text: string): Date | null => new Date(text)

/** People by name, whoever has ended last. */
export async function listPeople(
  transaction: AcademyTransaction,
  now: Date,
  onlyId?: string,
): Promise<PersonRecord[]> {
  const seen = transaction
    .select({
      personId: session.personId,
      at: sql`max(${session.lastUsedAt})`.mapWith(asInstant).as('at'),
    })
    .from(session)
    .groupBy(session.personId)
    .as('seen')
  const links = transaction
    .select({
      personId: invitation.personId,
      until: sql`max(${invitation.expiresAt})`.mapWith(asInstant).as('until'),
    })
    .from(invitation)
    .where(and(isNull(invitation.usedAt), gt(invitation.expiresAt, now)))
    .groupBy(invitation.personId)
    .as('links')
  const rows = await transaction
    .select({
      person,
      displayName: personName.displayName,
      signInName: account.signInName,
      canComeIn: sql<boolean>`${CAN_COME_IN}`,
      seenAt: seen.at,
      linkUntil: links.until,
    })
    .from(person)
    .innerJoin(academy, eq(academy.academyId, person.academyId))
    .innerJoin(personName, eq(personName.personId, person.personId))
    .leftJoin(account, eq(account.personId, person.personId))
    .leftJoin(seen, eq(seen.personId, person.personId))
    .leftJoin(links, eq(links.personId, person.personId))
    .where(onlyId === undefined ? undefined : eq(person.personId, onlyId))
    .orderBy(sql`${person.endedAt} is not null`, asc(personName.displayName), asc(person.personId))
  return rows.map((row) => ({
    personId: row.person.personId,
    displayName: row.displayName,
    role: row.person.role,
    state: row.person.endedAt !== null ? 'ended' : row.canComeIn ? 'active' : 'invited',
    revisionNo: row.person.revisionNo,
    signInName: row.signInName,
    lastSeenAt: row.seenAt?.toISOString() ?? null,
    linkUntil: row.linkUntil?.toISOString() ?? null,
    erasedAt: row.person.erasedAt?.toISOString() ?? null,
  }))
}

export async function findPerson(
  transaction: AcademyTransaction,
  personId: string,
  now: Date,
): Promise<PersonRecord | null> {
  const [found] = await listPeople(transaction, now, personId)
  return found ?? null
}

/** Whether a person's account still holds; null when there is nobody by that id. */
export async function standingOf(
  transaction: AcademyTransaction,
  personId: string,
): Promise<'active' | 'ended' | null> {
  const [found] = await transaction
    .select({ endedAt: person.endedAt })
    .from(person)
    .where(eq(person.personId, personId))
  if (!found) return null
  return found.endedAt === null ? 'active' : 'ended'
}

/** Somebody's role; null where there is nobody by that id. */
export async function roleOf(transaction: AcademyTransaction, personId: string): Promise<Role | null> {
  const [found] = await transaction
    .select({ role: person.role })
    .from(person)
    .where(eq(person.personId, personId))
  return found?.role ?? null
}

/** Whether somebody teaches; nobody does by an id that nobody has. */
export async function isTeaching(transaction: AcademyTransaction, personId: string): Promise<boolean> {
  return teaches(await roleOf(transaction, personId))
}

const rolesById = keptQuery((builder) =>
  builder
    .select({ personId: person.personId, role: person.role })
    .from(person)
    .where(anyOf(person.personId, sql.placeholder('personIds'))),
)

/** Those of them who teach. */
export async function teachingAmong(
  transaction: AcademyTransaction,
  personIds: readonly string[],
): Promise<Set<string>> {
  const roles = await rolesOf(transaction, [...new Set(personIds)])
  return new Set([...roles].flatMap(([personId, role]) => (teaches(role) ? [personId] : [])))
}

/** What everyone whose account holds is called. */
export async function namesOfActive(
  transaction: AcademyTransaction,
): Promise<{ personId: string; displayName: string }[]> {
  return transaction
    .select({ personId: person.personId, displayName: personName.displayName })
    .from(person)
    .innerJoin(personName, eq(personName.personId, person.personId))
    .where(isNull(person.endedAt))
}

/** The roles of those of them who are there. */
export async function rolesOf(
  transaction: AcademyTransaction,
  personIds: readonly string[],
): Promise<Map<string, Role>> {
  if (personIds.length === 0) return new Map()
  const rows = await rolesById(transaction, { personIds })
  return new Map(rows.map(({ personId, role }) => [personId, role]))
}

/** Adds a person under an id that nobody has. */
export async function insertPerson(
  transaction: AcademyTransaction,
  { displayName, ...row }: { displayName: string } & typeof person.$inferInsert,
): Promise<void> {
  await transaction.insert(person).values(row)
  const { academyId, personId } = row
  await transaction.insert(personName).values({ academyId, personId, displayName })
}

/** How a person was added: by which body, where that was kept, and how they are called now. */
export async function findMaking(transaction: AcademyTransaction, personId: string) {
  const [row] = await transaction
    .select({
      bodyDigest: person.bodyDigest,
      revisionNo: person.revisionNo,
      role: person.role,
      displayName: personName.displayName,
    })
    .from(person)
    .innerJoin(personName, eq(personName.personId, person.personId))
    .where(eq(person.personId, personId))
  return row ?? null
}

/** Changes a person from one revision to the next; false when another change came first. */
export async function updatePerson(
  transaction: AcademyTransaction,
  personId: string,
  basedOnNo: number,
  set: { role: Role; endedAt: Date | null },
): Promise<boolean> {
  const changed = await transaction
    .update(person)
    .set({ ...set, revisionNo: basedOnNo + 1 })
    .where(and(eq(person.personId, personId), eq(person.revisionNo, basedOnNo)))
    .returning({ personId: person.personId })
  return changed.length === 1
}

export async function renamePerson(
  transaction: AcademyTransaction,
  personId: string,
  displayName: string,
): Promise<void> {
  await transaction.update(personName).set({ displayName }).where(eq(personName.personId, personId))
}

/**
 * Whether some head besides this person can come in. Heads are locked first, so that two who demote each other at once
 * don't both find the other one still there.
 */
export async function hasOtherHead(transaction: AcademyTransaction, personId: string): Promise<boolean> {
  const heads = await transaction
    .select({ personId: person.personId })
    .from(person)
    .where(and(eq(person.role, 'head'), isNull(person.endedAt)))
    .for('no key update')
  const [row] = await transaction
    .select({ others: count() })
    .from(person)
    .innerJoin(academy, eq(academy.academyId, person.academyId))
    .leftJoin(account, eq(account.personId, person.personId))
    .where(and(eq(person.role, 'head'), isNull(person.endedAt), ne(person.personId, personId), CAN_COME_IN))
  return heads.length > 0 && (row?.others ?? 0) > 0
}

/** How many teach here. */
export async function countTeaching(transaction: AcademyTransaction): Promise<number> {
  const [row] = await transaction
    .select({ teaching: count() })
    .from(person)
    .where(and(ne(person.role, 'trainee'), isNull(person.endedAt)))
  return row?.teaching ?? 0
}

/** How much of a person there is, for the word before an erasure. */
export async function countOfPerson(transaction: AcademyTransaction, personId: string) {
  const one = async (query: Promise<{ n: number }[]>) => (await query)[0]?.n ?? 0
  return {
    texts: await one(
      transaction
        .select({ n: count() })
        .from(freeText)
        .where(
          and(
            or(eq(freeText.aboutId, personId), eq(freeText.writtenBy, personId)),
            isNull(freeText.blankedAt),
          ),
        ),
    ),
    sessions: await one(
      transaction.select({ n: count() }).from(session).where(eq(session.personId, personId)),
    ),
    shots: await one(transaction.select({ n: count() }).from(shot).where(eq(shot.personId, personId))),
    calls: await one(transaction.select({ n: count() }).from(call).where(eq(call.personId, personId))),
    slips: await one(transaction.select({ n: count() }).from(slip).where(eq(slip.filledBy, personId))),
    auditEntries: await one(
      transaction
        .select({ n: count() })
        .from(audit)
        .where(or(eq(audit.personId, personId), eq(audit.actorId, personId))),
    ),
  }
}

/** Blanks a person for good, through the owner's one function. */
export async function erasePerson(
  transaction: AcademyTransaction,
  personId: string,
  at: Date,
): Promise<void> {
  await transaction.execute(sql`select erase_person(${personId}::uuid, ${at.toISOString()}::timestamptz)`)
}
