import { AUDIT_KINDS, type AuditEntry, type AuditQuery } from '@calm-apron/contract'
import { type SQL, and, desc, eq, inArray, sql } from 'drizzle-orm'
import type { AnyPgColumn } from 'drizzle-orm/pg-core'
import { anyOf } from '../database/anyOf.ts'
import { behindEnd } from '../database/behindEnd.ts'
import { filteredQuery } from '../database/keptQuery.ts'
import { literally } from '../database/literally.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { academy, audit, freeText, personName } from '../database/schema/index.ts'
import type { PageEnd } from '../http/cursor.ts'
import { IS_OPEN } from '../tasting/queries.ts'
import { OF_THE_SLIPS } from './sealed.ts'

const FILTERS = {
  personId: sql`${audit.personId} = ${sql.placeholder('personId')}`,
  actorId: sql`${audit.actorId} = ${sql.placeholder('actorId')}`,
  kind: sql`${audit.kind} = ${sql.placeholder('kind')}`,
  from: sql`${audit.at} >= ${startOfDay('from')}`,
  until: sql`${audit.at} < ${startOfDay('until')} + interval '1 day'`,
  after: behindEnd(audit.at, audit.auditId),
  ids: anyOf(audit.auditId, sql.placeholder('ids')),
}

/** Midnight of a date where the academy is. */
function startOfDay(day: 'from' | 'until'): SQL {
  return sql`(${sql.placeholder(day)}::timestamp at time zone ${academy.timeZone})`
}

/** One page of traces, newest first; one more than asked tells whether another page follows. */
export async function listTraces(
  transaction: AcademyTransaction,
  { limit, personId, actorId, kind, from, until }: AuditQuery,
  after: PageEnd | null,
): Promise<FoundTrace[]> {
  const asked = { personId, actorId, from, until }
  const isByNothingElse = Object.values(asked).every((each) => each === undefined)
  const ofKind = kind !== undefined && isByNothingElse ? tracesOfKind.get(kind) : undefined
  const found = await (ofKind ?? traces)(
    transaction,
    { ...asked, kind: ofKind === undefined ? kind : undefined, after: after ?? undefined },
    { afterAt: after?.at, afterId: after?.id },
    limit + 1,
  )
  return toEntries(found)
}

/** Some of the traces that one person left, or that are about them, newest first. */
export async function tracesOfPerson(
  transaction: AcademyTransaction,
  personId: string,
  after: PageEnd | null,
  limit: number,
): Promise<FoundTrace[]> {
  const behind = after === null ? sql`` : sql`and ${behindEnd(audit.at, audit.auditId, after)}`
  // Each way is read off its own index.
  const newest = (column: AnyPgColumn) =>
    sql`(select audit_id from audit where ${column} = ${personId} ${behind} order by at desc, audit_id desc limit ${limit})`
  const { rows } = await transaction.execute<{ audit_id: string }>(
    sql`${newest(audit.personId)} union ${newest(audit.actorId)}`,
  )
  return toEntries(await traces(transaction, { ids: rows.map((row) => row.audit_id) }, {}, limit))
}

/** A trace, and whether what it holds was said of a shot whose slips are closed. */
export interface FoundTrace extends AuditEntry {
  areSlipsClosed: boolean
}

// Asked of each as a value, so that it is looked up for those of the page and for no others.
const ARE_SLIPS_CLOSED = sql<boolean>`case when ${inArray(audit.kind, [...OF_THE_SLIPS])} then coalesce((
  select not (${IS_OPEN}) from shot
  where shot.academy_id = ${audit.academyId} and shot.shot_id = ${audit.subjectId}), true) else false end`

/** What somebody is called: so too, or of a page of traces everybody's name would be gone through for each. */
const nameOf = (personId: AnyPgColumn) => sql<string | null>`(
  select n.display_name from ${personName} n where n.academy_id = ${audit.academyId} and n.person_id = ${personId})`

const tracesThat = (are?: SQL) =>
  filteredQuery(FILTERS, ['personId', 'actorId', 'after', 'ids'], (builder, where) =>
    builder
      .select({
        auditId: audit.auditId,
        at: audit.at,
        kind: audit.kind,
        actorId: audit.actorId,
        actorName: nameOf(audit.actorId),
        personId: audit.personId,
        personName: nameOf(audit.personId),
        subjectId: audit.subjectId,
        before: audit.before,
        after: audit.after,
        why: freeText.content,
        areSlipsClosed: ARE_SLIPS_CLOSED,
      })
      .from(audit)
      .innerJoin(academy, eq(academy.academyId, audit.academyId))
      .leftJoin(freeText, eq(freeText.textId, audit.whyTextId))
      .where(and(where, are))
      .orderBy(desc(audit.at), desc(audit.auditId)),
  )
const traces = tracesThat()

// How many there are of a kind, and whether its index holds them, is known before a statement is planned only where it
// stands in it. By a kind and something else each would be too many to keep.
const tracesOfKind = new Map(
  AUDIT_KINDS.map((kind) => [kind, tracesThat(sql`${audit.kind} = ${literally(kind)}`)]),
)

function toEntries(rows: Awaited<ReturnType<typeof traces>>): FoundTrace[] {
  return rows.map(({ at, ...row }) => ({ ...row, at: at.toISOString() }))
}
