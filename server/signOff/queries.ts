import { KINDS, type ProgrammeContent, type ShotSummary, upcast } from '@calm-apron/contract'
import type { AssessmentEvent, AssessmentHappening } from '@calm-apron/core'
import { and, asc, desc, eq, gt, sql } from 'drizzle-orm'
import { anyOf } from '../database/anyOf.ts'
import { keptQuery } from '../database/keptQuery.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import {
  assessment,
  assessmentEvent,
  freeText,
  prepared,
  preparedRevision,
  shot,
  slip,
} from '../database/schema/index.ts'
import { shotPageQuery, summariesOf } from '../shots/queries.ts'

type EventRow = typeof assessmentEvent.$inferSelect

/** An assessment with what happened in it, oldest first. */
export interface StoredAssessment {
  assessmentId: string
  personId: string
  programmeId: string
  closedAt: Date | null
  events: AssessmentEvent[]
}

const selected = (transaction: AcademyTransaction) => transaction.select().from(assessment)

/** All of one person, oldest first. */
export async function assessmentsOf(
  transaction: AcademyTransaction,
  personId: string,
): Promise<StoredAssessment[]> {
  const rows = await selected(transaction)
    .where(eq(assessment.personId, personId))
    .orderBy(asc(assessment.begunAt), asc(assessment.assessmentId))
  return withEvents(transaction, rows)
}

/** Of everybody, begun since then, newest first; no more than this. */
export async function assessmentsSince(
  transaction: AcademyTransaction,
  since: Date,
  limit: number,
): Promise<StoredAssessment[]> {
  const rows = await selected(transaction)
    .where(gt(assessment.begunAt, since))
    .orderBy(desc(assessment.begunAt))
    .limit(limit)
  return withEvents(transaction, rows)
}

export async function findAssessment(
  transaction: AcademyTransaction,
  assessmentId: string,
): Promise<StoredAssessment | null> {
  const rows = await selected(transaction).where(eq(assessment.assessmentId, assessmentId))
  return (await withEvents(transaction, rows))[0] ?? null
}

async function withEvents(
  transaction: AcademyTransaction,
  rows: readonly (typeof assessment.$inferSelect)[],
): Promise<StoredAssessment[]> {
  if (rows.length === 0) return []
  const ids = rows.map(({ assessmentId }) => assessmentId)
  const found = await transaction
    .select({ row: assessmentEvent, text: freeText.content })
    .from(assessmentEvent)
    .leftJoin(freeText, eq(freeText.textId, assessmentEvent.textId))
    .where(anyOf(assessmentEvent.assessmentId, sql.param(ids)))
    .orderBy(asc(assessmentEvent.receivedAt), asc(assessmentEvent.at), asc(assessmentEvent.eventId))
  return rows.map(({ assessmentId, personId, programmeId, closedAt }) => ({
    assessmentId,
    personId,
    programmeId,
    closedAt,
    events: found
      .filter(({ row }) => row.assessmentId === assessmentId)
      .map(({ row: { eventId, by, at, happening }, text }) => ({
        eventId,
        by,
        at: at.toISOString(),
        happening,
        text: text === '' ? null : text,
      })),
  }))
}

export async function findAssessmentEvent(
  transaction: AcademyTransaction,
  eventId: string,
): Promise<EventRow | null> {
  const [row] = await transaction.select().from(assessmentEvent).where(eq(assessmentEvent.eventId, eventId))
  return row ?? null
}

export async function insertAssessment(
  transaction: AcademyTransaction,
  row: typeof assessment.$inferInsert,
): Promise<void> {
  await transaction.insert(assessment).values(row)
}

export async function insertAssessmentEvent(
  transaction: AcademyTransaction,
  row: Omit<EventRow, 'kind'> & { happening: AssessmentHappening },
): Promise<void> {
  await transaction.insert(assessmentEvent).values({ ...row, kind: row.happening.kind })
}

/** From then on what was pulled in it is open. */
export async function closeAssessment(
  transaction: AcademyTransaction,
  assessmentId: string,
  closedAt: Date,
): Promise<void> {
  await transaction.update(assessment).set({ closedAt }).where(eq(assessment.assessmentId, assessmentId))
}

const setShots = keptQuery((builder) =>
  shotPageQuery(
    builder,
    and(
      sql`${shot.academyId} = ${sql.placeholder('academyId')}`,
      anyOf(shot.assessmentId, sql.placeholder('assessmentIds')),
    ),
    sql.placeholder('limit'),
  ),
)
/** More than any set has. */
const MOST_SHOTS = 500

/** All that was pulled in these sets, newest first. */
export async function shotsOfSets(
  transaction: AcademyTransaction,
  academyId: string,
  assessmentIds: readonly string[],
): Promise<ShotSummary[]> {
  if (assessmentIds.length === 0) return []
  return summariesOf(
    transaction,
    await setShots(transaction, { academyId, assessmentIds, limit: MOST_SHOTS }),
  )
}

/** How many people who teach tasted each of these shots; shots that none of them tasted are left out. */
export async function tonguesOf(
  transaction: AcademyTransaction,
  shotIds: readonly string[],
): Promise<Map<string, number>> {
  if (shotIds.length === 0) return new Map()
  const rows = await transaction
    .select({ shotId: slip.shotId, tongues: sql<number>`count(distinct ${slip.filledBy})::int` })
    .from(slip)
    .where(and(anyOf(slip.shotId, sql.param(shotIds)), eq(slip.side, 'trainer'), eq(slip.skipped, false)))
    .groupBy(slip.shotId)
  return new Map(rows.map(({ shotId, tongues }) => [shotId, tongues]))
}

/** Programmes as they stood in these revisions, by revision; other things are left out. */
export async function programmeRevisions(
  transaction: AcademyTransaction,
  revisionIds: readonly string[],
): Promise<Map<string, ProgrammeContent & { programmeId: string }>> {
  if (revisionIds.length === 0) return new Map()
  const rows = await transaction
    .select({ revision: preparedRevision })
    .from(preparedRevision)
    .innerJoin(prepared, eq(prepared.preparedId, preparedRevision.preparedId))
    .where(and(anyOf(preparedRevision.revisionId, sql.param(revisionIds)), eq(prepared.kind, 'programme')))
  return new Map(
    rows.map(({ revision: { revisionId, preparedId, content, contentVersion } }) => [
      revisionId,
      {
        ...KINDS.programme.content.parse(upcast('programme', content, contentVersion)),
        programmeId: preparedId,
      },
    ]),
  )
}
