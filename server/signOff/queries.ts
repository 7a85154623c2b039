import { KINDS, type ProgrammeContent, type ShotSummary, upcast } from '@calm-apron/contract'
import type { AssessmentEvent, AssessmentHappening, ShotBeside } from '@calm-apron/core'
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
  return summariesOf(transaction, await setShots(transaction, { academyId, assessmentIds }, MOST_SHOTS))
}

/** A set while its shots were pulled, by its grinder. */
export interface GrinderSpan {
  assessmentId: string
  grinderId: string
  from: string
  to: string
}

/** The settings at which shots ran on the grinders of these sets while they were on, but not in them; by set, oldest first. */
export async function shotsBeside(
  transaction: AcademyTransaction,
  spans: readonly GrinderSpan[],
): Promise<Map<string, ShotBeside[]>> {
  if (spans.length === 0) return new Map()
  const column = (of: (span: GrinderSpan) => string) => sql.param(spans.map(of))
  const { rows } = await transaction.execute<{
    assessment_id: string
    pulled_at: string
    grind_setting: string
  }>(sql`
    select span.assessment_id, to_char(s.pulled_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as pulled_at,
        r.grind_setting
      from unnest(${column(({ assessmentId }) => assessmentId)}::uuid[], ${column(({ grinderId }) => grinderId)}::uuid[],
        ${column(({ from }) => from)}::timestamptz[], ${column(({ to }) => to)}::timestamptz[])
        as span (assessment_id, grinder_id, from_at, to_at)
      join shot s on s.grinder_id = span.grinder_id and s.pulled_at between span.from_at and span.to_at
        and s.assessment_id is distinct from span.assessment_id and not s.is_simulated
      cross join lateral (
        select grind_setting from shot_revision r where r.academy_id = s.academy_id and r.shot_id = s.shot_id
          order by revision_no desc limit 1) r
      where r.grind_setting is not null
      order by s.pulled_at`)
  const bySet = new Map<string, ShotBeside[]>()
  for (const { assessment_id: assessmentId, pulled_at: pulledAt, grind_setting: setting } of rows)
    bySet.set(assessmentId, [...(bySet.get(assessmentId) ?? []), { pulledAt, grindSetting: Number(setting) }])
  return bySet
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
