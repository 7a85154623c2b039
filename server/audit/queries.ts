import type { AuditEntry, AuditQuery } from '@calm-apron/contract'
import { type SQL, aliasedTable, and, desc, eq, or, sql } from 'drizzle-orm'
import type { AcademyTransaction } from '../database/pool.ts'
import { academy, audit, freeText, personName } from '../database/schema/index.ts'
import type { PageEnd } from '../http/cursor.ts'

/** As many as an export of one person may carry; nobody comes near it. */
const ALL_OF_ONE = 100_000

/** One page of traces, newest first; one more than asked tells whether another page follows. */
export async function listTraces(
  transaction: AcademyTransaction,
  query: AuditQuery,
  after: PageEnd | null,
): Promise<AuditEntry[]> {
  const conditions: (SQL | undefined)[] = [
    query.personId === undefined ? undefined : eq(audit.personId, query.personId),
    query.actorId === undefined ? undefined : eq(audit.actorId, query.actorId),
    query.kind === undefined ? undefined : eq(audit.kind, query.kind),
    query.from === undefined ? undefined : sql`${audit.at} >= ${startOfDay(query.from)}`,
    query.until === undefined ? undefined : sql`${audit.at} < ${startOfDay(query.until)} + interval '1 day'`,
    after === null
      ? undefined
      : sql`(${audit.at}, ${audit.auditId}) < (${after.at}::timestamptz, ${after.id}::uuid)`,
  ]
  return selectTraces(transaction, and(...conditions), query.limit + 1)
}

/** Midnight of a date where the academy is. */
function startOfDay(date: string): SQL {
  return sql`(${date}::timestamp at time zone ${academy.timeZone})`
}

/** Every trace that one person left, or that is about them. */
export async function listTracesOf(transaction: AcademyTransaction, personId: string): Promise<AuditEntry[]> {
  return selectTraces(transaction, or(eq(audit.personId, personId), eq(audit.actorId, personId)), ALL_OF_ONE)
}

async function selectTraces(
  transaction: AcademyTransaction,
  where: SQL | undefined,
  limit: number,
): Promise<AuditEntry[]> {
  const actorName = aliasedTable(personName, 'actor_name')
  const rows = await transaction
    .select({
      audit,
      actorName: actorName.displayName,
      personName: personName.displayName,
      why: freeText.content,
    })
    .from(audit)
    .innerJoin(academy, eq(academy.academyId, audit.academyId))
    .leftJoin(actorName, eq(actorName.personId, audit.actorId))
    .leftJoin(personName, eq(personName.personId, audit.personId))
    .leftJoin(freeText, eq(freeText.textId, audit.whyTextId))
    .where(where)
    .orderBy(desc(audit.at), desc(audit.auditId))
    .limit(limit)
  return rows.map((row) => ({
    auditId: row.audit.auditId,
    at: row.audit.at.toISOString(),
    kind: row.audit.kind,
    actorId: row.audit.actorId,
    actorName: row.actorName,
    personId: row.audit.personId,
    personName: row.personName,
    subjectId: row.audit.subjectId,
    before: row.audit.before,
    after: row.audit.after,
    why: row.why,
  }))
}
