import type {
  RecipeRevision,
  ShotDetail,
  ShotInput,
  ShotListQuery,
  ShotRevision,
  ShotSummary,
} from '@calm-apron/contract'
import { type SQL, and, desc, eq, getTableColumns, inArray, sql } from 'drizzle-orm'
import { alias } from 'drizzle-orm/pg-core'
import type { AcademyTransaction } from '../database/pool.ts'
import {
  claim,
  freeText,
  preparedRevision,
  shot,
  shotRevision,
  shotSeries,
} from '../database/schema/index.ts'
import type { AsItStood } from '@calm-apron/core'
import type { DeviceInstant } from '../http/clock.ts'
import type { PageEnd } from '../http/cursor.ts'
import { toRecipeRevision } from '../prepare/recipeRevision.ts'
import { tastedOf } from '../tasting/queries.ts'
import { type RevisionRow, type StoredFacts, toColumns, toFacts } from './factsRow.ts'

type ShotRow = typeof shot.$inferSelect

/** What a revision needs besides its own row. */
interface Beside {
  reason: string | null
  note: string | null
  claimedAt: Date | null
  confirmedAt: Date | null
  isDenied: boolean | null
}

const noteText = alias(freeText, 'note_text')
const BESIDE = {
  reason: freeText.content,
  note: noteText.content,
  claimedAt: claim.claimedAt,
  confirmedAt: claim.confirmedAt,
  isDenied: claim.isDenied,
}

/** A revision about to be stored. */
export interface NewRevision {
  revisionId: string
  shotId: string
  revisionNo: number
  bodyDigest: string
  judgedBy: string
  isJudgeTeaching: boolean
  reasonTextId: string | null
  noteTextId: string | null
  recordedAt: Date
  receivedAt: Date
  facts: StoredFacts
}

/** Stores the shot unless its id is taken; tells whether it was stored. */
export async function insertShot(
  transaction: AcademyTransaction,
  academyId: string,
  shotId: string,
  input: ShotInput,
  { at: pulledAt, aheadS: clockAheadS }: DeviceInstant,
  stood: AsItStood,
): Promise<boolean> {
  const { facts: _facts, judgedBy: _judgedBy, note: _note, series, pulledAt: _told, ...setting } = input
  const stored = await transaction
    .insert(shot)
    .values({ academyId, shotId, ...setting, pulledAt, clockAheadS, stood })
    .onConflictDoNothing()
    .returning({ shotId: shot.shotId })
  if (stored.length === 0) return false
  if (series !== null) await transaction.insert(shotSeries).values({ academyId, shotId, ...series })
  return true
}

export async function insertRevision(
  transaction: AcademyTransaction,
  academyId: string,
  revision: NewRevision,
): Promise<void> {
  const { facts, ...head } = revision
  await transaction.insert(shotRevision).values({ academyId, ...head, ...toColumns(facts) })
}

export interface ShotOwner {
  shotId: string
  personId: string
  trainingId: string | null
  purpose: ShotRow['purpose']
  recordedBy: string | null
}

/** Who pulled a shot, and who recorded it first; null when there is none by that id. */
export async function findShotOwner(
  transaction: AcademyTransaction,
  shotId: string,
): Promise<ShotOwner | null> {
  const [row] = await transaction
    .select({
      shotId: shot.shotId,
      personId: shot.personId,
      trainingId: shot.trainingId,
      purpose: shot.purpose,
      recordedBy: shotRevision.judgedBy,
    })
    .from(shot)
    .innerJoin(shotRevision, and(eq(shotRevision.shotId, shot.shotId), eq(shotRevision.revisionNo, 1)))
    .where(eq(shot.shotId, shotId))
  return row ?? null
}

/** The digest and shot of a revision, or null when there is none by that id. */
export async function findRevision(
  transaction: AcademyTransaction,
  revisionId: string,
): Promise<{ shotId: string; bodyDigest: string; noteTextId: string | null } | null> {
  const [row] = await transaction
    .select({
      shotId: shotRevision.shotId,
      bodyDigest: shotRevision.bodyDigest,
      noteTextId: shotRevision.noteTextId,
    })
    .from(shotRevision)
    .where(eq(shotRevision.revisionId, revisionId))
  return row ?? null
}

/** A shot, its recipe, and its revisions newest first; null when there is none by that id. */
export async function findShot(transaction: AcademyTransaction, shotId: string): Promise<ShotDetail | null> {
  const [found] = await selectShots(transaction, eq(shot.shotId, shotId))
  return found ?? null
}

/** Every shot one person pulled, newest first. */
export async function findShotsOf(transaction: AcademyTransaction, personId: string): Promise<ShotDetail[]> {
  return selectShots(transaction, eq(shot.personId, personId))
}

async function selectShots(transaction: AcademyTransaction, where: SQL): Promise<ShotDetail[]> {
  const rows = await transaction
    .select({ shot, recipe: preparedRevision, revision: shotRevision, beside: BESIDE })
    .from(shot)
    .innerJoin(preparedRevision, eq(preparedRevision.revisionId, shot.recipeRevisionId))
    .innerJoin(shotRevision, eq(shotRevision.shotId, shot.shotId))
    .leftJoin(freeText, eq(freeText.textId, shotRevision.reasonTextId))
    .leftJoin(noteText, eq(noteText.textId, shotRevision.noteTextId))
    .leftJoin(claim, eq(claim.recordId, shotRevision.revisionId))
    .where(where)
    .orderBy(desc(shot.pulledAt), desc(shot.shotId), desc(shotRevision.revisionNo))
  const seen = await seenOf(transaction, [...new Set(rows.map((row) => row.shot.shotId))])
  const details = new Map<string, ShotDetail>()
  for (const row of rows) {
    const revision = toRevision(row.revision, row.beside)
    const known = details.get(row.shot.shotId)
    if (known) known.revisions.push(revision)
    else {
      const summary = toSummary(row.shot, row.revision, row.beside, seen)
      details.set(row.shot.shotId, {
        ...summary,
        recipe: toRecipeRevision(row.recipe),
        revisions: [revision],
      })
    }
  }
  return [...details.values()]
}

/** Whoever pulled was asked for their call, has not made it, and no trainer has said that there will be none. */
export const awaitsCall = sql`(shot.is_call_asked and not exists (
  select from call c where c.academy_id = shot.academy_id and c.shot_id = shot.shot_id
    and c.stage = 'final' and (c.person_id = shot.person_id or c.verdict is null)))`

/** Those of these shots whose reading waits for the call of whoever pulled them. */
export async function awaitingAmong(
  transaction: AcademyTransaction,
  shotIds: readonly string[],
): Promise<Set<string>> {
  if (shotIds.length === 0) return new Set()
  const rows = await transaction
    .select({ shotId: shot.shotId })
    .from(shot)
    .where(and(inArray(shot.shotId, [...shotIds]), awaitsCall))
  return new Set(rows.map(({ shotId }) => shotId))
}

/** Which shots: those of a list, or those named. */
type ShotsAsked = Omit<ShotListQuery, 'cursor'> & { shotIds?: readonly string[] }

/** The query behind one page of the list; one more row than asked tells whether another page follows. */
export function shotPageQuery(
  transaction: AcademyTransaction,
  academyId: string,
  query: ShotsAsked,
  after: PageEnd | null,
  isOpenOnly = false,
) {
  const newest = transaction
    .select()
    .from(shotRevision)
    .where(and(eq(shotRevision.academyId, shot.academyId), eq(shotRevision.shotId, shot.shotId)))
    .orderBy(desc(shotRevision.revisionNo))
    .limit(1)
    .as('newest')
  const conditions: SQL[] = [eq(shot.academyId, academyId)]
  if (query.personId !== undefined) conditions.push(eq(shot.personId, query.personId))
  if (query.grinderId !== undefined) conditions.push(eq(shot.grinderId, query.grinderId))
  if (query.trainingId !== undefined) conditions.push(eq(shot.trainingId, query.trainingId))
  if (query.shotIds !== undefined) conditions.push(inArray(shot.shotId, [...query.shotIds]))
  if (isOpenOnly) conditions.push(sql`not ${awaitsCall}`)
  if (after !== null)
    conditions.push(sql`(${shot.pulledAt}, ${shot.shotId}) < (${after.at}::timestamptz, ${after.id}::uuid)`)
  return transaction
    .select({ shot: getTableColumns(shot), revision: newest._.selectedFields, beside: BESIDE })
    .from(shot)
    .innerJoinLateral(newest, sql`true`)
    .leftJoin(freeText, eq(freeText.textId, newest.reasonTextId))
    .leftJoin(noteText, eq(noteText.textId, newest.noteTextId))
    .leftJoin(claim, eq(claim.recordId, newest.revisionId))
    .where(and(...conditions))
    .orderBy(desc(shot.pulledAt), desc(shot.shotId))
    .limit(query.limit + 1)
}

export async function listShots(
  transaction: AcademyTransaction,
  academyId: string,
  query: ShotsAsked,
  after: PageEnd | null,
  isOpenOnly: boolean,
): Promise<ShotSummary[]> {
  const rows = await shotPageQuery(transaction, academyId, query, after, isOpenOnly)
  const seen = await seenOf(
    transaction,
    rows.map((row) => row.shot.shotId),
  )
  return rows.map((row) => toSummary(row.shot, row.revision, row.beside, seen))
}

/** What sensors saw of shots, and what was tasted of them once both sides are in. */
interface Seen {
  series: ReadonlyMap<string, ShotSummary['series']>
  tasted: ReadonlyMap<string, ShotSummary['tasted']>
}

async function seenOf(transaction: AcademyTransaction, shotIds: readonly string[]): Promise<Seen> {
  if (shotIds.length === 0) return { series: new Map(), tasted: new Map() }
  const series = await transaction
    .select()
    .from(shotSeries)
    .where(inArray(shotSeries.shotId, [...shotIds]))
  return {
    series: new Map(series.map(({ shotId, weight, pressure }) => [shotId, { weight, pressure }])),
    tasted: await tastedOf(transaction, shotIds),
  }
}

/** The named recipe revisions, each once. */
export async function findRecipeRevisions(
  transaction: AcademyTransaction,
  ids: readonly string[],
): Promise<RecipeRevision[]> {
  if (ids.length === 0) return []
  const rows = await transaction
    .select()
    .from(preparedRevision)
    .where(inArray(preparedRevision.revisionId, [...new Set(ids)]))
  return rows.map(toRecipeRevision)
}

function toSummary(row: ShotRow, revision: RevisionRow, beside: Beside, seen: Seen): ShotSummary {
  const { academyId: _academyId, pulledAt, ...setting } = row
  return {
    ...setting,
    pulledAt: pulledAt.toISOString(),
    current: toRevision(revision, beside),
    series: seen.series.get(row.shotId) ?? null,
    tasted: seen.tasted.get(row.shotId) ?? { trainee: null, trainer: null },
  }
}

function toRevision(
  row: RevisionRow,
  { reason, note, claimedAt, confirmedAt, isDenied }: Beside,
): ShotRevision {
  return {
    revisionId: row.revisionId,
    revisionNo: row.revisionNo,
    judgedBy: row.judgedBy,
    isClaimed: claimedAt !== null && confirmedAt === null,
    isDenied: isDenied === true,
    isJudgeTeaching: row.isJudgeTeaching,
    reason,
    recordedAt: row.recordedAt.toISOString(),
    receivedAt: row.receivedAt.toISOString(),
    facts: toFacts(row),
    note: note ?? '',
  }
}
