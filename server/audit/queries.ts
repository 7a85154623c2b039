import type { AuditEntry, AuditQuery } from '@calm-apron/contract'
import { type SQL, aliasedTable, and, desc, eq, sql } from 'drizzle-orm'
import { keptQuery } from '../database/keptQuery.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { academy, audit, freeText, personName } from '../database/schema/index.ts'
import type { PageEnd } from '../http/cursor.ts'

const FILTERS = {
  personId: sql`${audit.personId} = ${sql.placeholder('personId')}`,
  actorId: sql`${audit.actorId} = ${sql.placeholder('actorId')}`,
  kind: sql`${audit.kind} = ${sql.placeholder('kind')}`,
  from: sql`${audit.at} >= ${startOfDay('from')}`,
  until: sql`${audit.at} < ${startOfDay('until')} + interval '1 day'`,
  after: sql`(${audit.at}, ${audit.auditId}) < (${sql.placeholder('afterAt')}::timestamptz, ${sql.placeholder('afterId')}::uuid)`,
  /** Each way is read off its own index. */
  isOfPerson: sql`${audit.auditId} = any (${sql.placeholder('ids')})`,
}
const isFilter = (name: string): name is keyof typeof FILTERS => name in FILTERS

/** Midnight of a date where the academy is. */
function startOfDay(day: 'from' | 'until'): SQL {
  return sql`(${sql.placeholder(day)}::timestamp at time zone ${academy.timeZone})`
}

/** One page of traces, newest first; one more than asked tells whether another page follows. */
export async function listTraces(
  transaction: AcademyTransaction,
  { limit, personId, actorId, kind, from, until }: AuditQuery,
  after: PageEnd | null,
): Promise<AuditEntry[]> {
  return selectTraces(
    transaction,
    { personId, actorId, kind, from, until, after: after ?? undefined },
    limit + 1,
  )
}

/** Some of the traces that one person left, or that are about them, newest first. */
export async function tracesOfPerson(
  transaction: AcademyTransaction,
  personId: string,
  after: PageEnd | null,
  limit: number,
): Promise<AuditEntry[]> {
  const behind =
    after === null ? sql`` : sql`and (at, audit_id) < (${after.at}::timestamptz, ${after.id}::uuid)`
  const newest = (column: SQL) =>
    sql`(select audit_id from audit where ${column} = ${personId} ${behind} order by at desc, audit_id desc limit ${limit})`
  const { rows } = await transaction.execute<{ audit_id: string }>(
    sql`${newest(sql`person_id`)} union ${newest(sql`actor_id`)}`,
  )
  return selectTraces(transaction, { isOfPerson: true }, limit, { ids: rows.map((row) => row.audit_id) })
}

const actorName = aliasedTable(personName, 'actor_name')

const traces = keptQuery((builder, shape: string) =>
  builder
    .select({
      auditId: audit.auditId,
      at: audit.at,
      kind: audit.kind,
      actorId: audit.actorId,
      actorName: actorName.displayName,
      personId: audit.personId,
      personName: personName.displayName,
      subjectId: audit.subjectId,
      before: audit.before,
      after: audit.after,
      why: freeText.content,
    })
    .from(audit)
    .innerJoin(academy, eq(academy.academyId, audit.academyId))
    .leftJoin(actorName, eq(actorName.personId, audit.actorId))
    .leftJoin(personName, eq(personName.personId, audit.personId))
    .leftJoin(freeText, eq(freeText.textId, audit.whyTextId))
    .where(
      and(
        ...shape
          .split(' ')
          .filter(isFilter)
          .map((filter) => FILTERS[filter]),
      ),
    )
    .orderBy(desc(audit.at), desc(audit.auditId))
    .limit(sql.placeholder('limit')),
)

async function selectTraces(
  transaction: AcademyTransaction,
  { after, ...filters }: Partial<Record<keyof typeof FILTERS, unknown>> & { after?: PageEnd | undefined },
  limit: number,
  values: Record<string, unknown> = {},
): Promise<AuditEntry[]> {
  const asked = Object.entries({ ...filters, after }).filter(([, value]) => value !== undefined)
  const rows = await traces(transaction, asked.map(([name]) => name).join(' '), {
    ...filters,
    ...values,
    afterAt: after?.at,
    afterId: after?.id,
    limit,
  })
  return rows.map(({ at, ...row }) => ({ ...row, at: at.toISOString() }))
}
