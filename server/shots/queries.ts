import type {
  RecipeRevision,
  ShotDetail,
  ShotInput,
  ShotListQuery,
  ShotRevision,
  ShotSummary,
} from '@calm-apron/contract'
import type { ShotFacts } from '@calm-apron/core'
import { type SQL, and, desc, eq, getTableColumns, inArray, sql } from 'drizzle-orm'
import type { AcademyTransaction } from '../database/pool.ts'
import { claim, freeText, preparedRevision, shot, shotRevision } from '../database/schema/index.ts'
import type { PageEnd } from '../http/cursor.ts'
import { toRecipeRevision } from '../prepare/recipeRevision.ts'
import { type RevisionRow, toColumns, toFacts } from './factsRow.ts'

type ShotRow = typeof shot.$inferSelect

/** What a revision needs besides its own row. */
interface Beside {
  reason: string | null
  claimedAt: Date | null
  confirmedAt: Date | null
}

const BESIDE = { reason: freeText.content, claimedAt: claim.claimedAt, confirmedAt: claim.confirmedAt }

/** A revision about to be stored. */
export interface NewRevision {
  revisionId: string
  shotId: string
  revisionNo: number
  bodyDigest: string
  judgedBy: string
  reasonTextId: string | null
  recordedAt: Date
  receivedAt: Date
  facts: ShotFacts
}

/** Stores the shot unless its id is taken; tells whether it was stored. */
export async function insertShot(
  transaction: AcademyTransaction,
  academyId: string,
  shotId: string,
  input: ShotInput,
): Promise<boolean> {
  const { facts: _facts, judgedBy: _judgedBy, pulledAt, ...setting } = input
  const stored = await transaction
    .insert(shot)
    .values({ academyId, shotId, ...setting, pulledAt: new Date(pulledAt) })
    .onConflictDoNothing()
    .returning({ shotId: shot.shotId })
  return stored.length === 1
}

export async function insertRevision(
  transaction: AcademyTransaction,
  academyId: string,
  revision: NewRevision,
): Promise<void> {
  const { facts, ...head } = revision
  await transaction.insert(shotRevision).values({ academyId, ...head, ...toColumns(facts) })
}

/** Who pulled a shot, and who recorded it first; null when there is none by that id. */
export async function findShotOwner(
  transaction: AcademyTransaction,
  shotId: string,
): Promise<{ shotId: string; personId: string; recordedBy: string | null } | null> {
  const [row] = await transaction
    .select({ shotId: shot.shotId, personId: shot.personId, recordedBy: shotRevision.judgedBy })
    .from(shot)
    .innerJoin(shotRevision, and(eq(shotRevision.shotId, shot.shotId), eq(shotRevision.revisionNo, 1)))
    .where(eq(shot.shotId, shotId))
  return row ?? null
}

/** The digest and shot of a revision, or null when there is none by that id. */
export async function findRevision(
  transaction: AcademyTransaction,
  revisionId: string,
): Promise<{ shotId: string; bodyDigest: string } | null> {
  const [row] = await transaction
    .select({ shotId: shotRevision.shotId, bodyDigest: shotRevision.bodyDigest })
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
    .leftJoin(claim, eq(claim.revisionId, shotRevision.revisionId))
    .where(where)
    .orderBy(desc(shot.pulledAt), desc(shot.shotId), desc(shotRevision.revisionNo))
  const details = new Map<string, ShotDetail>()
  for (const row of rows) {
    const revision = toRevision(row.revision, row.beside)
    const known = details.get(row.shot.shotId)
    if (known) known.revisions.push(revision)
    else {
      const summary = toSummary(row.shot, row.revision, row.beside)
      details.set(row.shot.shotId, {
        ...summary,
        recipe: toRecipeRevision(row.recipe),
        revisions: [revision],
      })
    }
  }
  return [...details.values()]
}

/** The query behind one page of the list; one more row than asked tells whether another page follows. */
export function shotPageQuery(
  transaction: AcademyTransaction,
  academyId: string,
  query: ShotListQuery,
  after: PageEnd | null,
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
  if (after !== null)
    conditions.push(sql`(${shot.pulledAt}, ${shot.shotId}) < (${after.at}::timestamptz, ${after.id}::uuid)`)
  return transaction
    .select({ shot: getTableColumns(shot), revision: newest._.selectedFields, beside: BESIDE })
    .from(shot)
    .innerJoinLateral(newest, sql`true`)
    .leftJoin(freeText, eq(freeText.textId, newest.reasonTextId))
    .leftJoin(claim, eq(claim.revisionId, newest.revisionId))
    .where(and(...conditions))
    .orderBy(desc(shot.pulledAt), desc(shot.shotId))
    .limit(query.limit + 1)
}

export async function listShots(
  transaction: AcademyTransaction,
  academyId: string,
  query: ShotListQuery,
  after: PageEnd | null,
): Promise<ShotSummary[]> {
  const rows = await shotPageQuery(transaction, academyId, query, after)
  return rows.map((row) => toSummary(row.shot, row.revision, row.beside))
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

function toSummary(row: ShotRow, revision: RevisionRow, beside: Beside): ShotSummary {
  return {
    shotId: row.shotId,
    personId: row.personId,
    recipeRevisionId: row.recipeRevisionId,
    barId: row.barId,
    grinderId: row.grinderId,
    bagId: row.bagId,
    pulledAt: row.pulledAt.toISOString(),
    current: toRevision(revision, beside),
  }
}

function toRevision(row: RevisionRow, { reason, claimedAt, confirmedAt }: Beside): ShotRevision {
  return {
    revisionId: row.revisionId,
    revisionNo: row.revisionNo,
    judgedBy: row.judgedBy,
    isClaimed: claimedAt !== null && confirmedAt === null,
    reason,
    recordedAt: row.recordedAt.toISOString(),
    receivedAt: row.receivedAt.toISOString(),
    facts: toFacts(row),
  }
}
