import type {
  RecipeRevision,
  ShotInput,
  ShotListQuery,
  ShotRevision,
  ShotSummary,
} from '@calm-apron/contract'
import type { ShotFacts } from '@calm-apron/core'
import { type SQL, and, desc, eq, getTableColumns, inArray, sql } from 'drizzle-orm'
import type { AcademyTransaction } from '../database/pool.ts'
import { recipeRevision, shot, shotRevision } from '../database/schema/index.ts'
import { toRecipeRevision } from '../recipes/recipeRow.ts'
import { type RevisionRow, toColumns, toFacts } from './factsRow.ts'
import type { ShotCursor } from './shotCursor.ts'

type ShotRow = typeof shot.$inferSelect

/** A revision about to be stored. */
export interface NewRevision {
  revisionId: string
  shotId: string
  revisionNo: number
  bodyDigest: string
  reason: string | null
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
  const { facts: _facts, pulledAt, ...setting } = input
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
export async function findShot(
  transaction: AcademyTransaction,
  shotId: string,
): Promise<{ summary: ShotSummary; recipe: RecipeRevision; revisions: ShotRevision[] } | null> {
  const rows = await transaction
    .select({ shot, recipe: recipeRevision, revision: shotRevision })
    .from(shot)
    .innerJoin(recipeRevision, eq(recipeRevision.recipeRevisionId, shot.recipeRevisionId))
    .innerJoin(shotRevision, eq(shotRevision.shotId, shot.shotId))
    .where(eq(shot.shotId, shotId))
    .orderBy(desc(shotRevision.revisionNo))
  const newest = rows[0]
  if (!newest) return null
  return {
    summary: toSummary(newest.shot, newest.revision),
    recipe: toRecipeRevision(newest.recipe),
    revisions: rows.map(({ revision }) => toRevision(revision)),
  }
}

/** The query behind one page of the list; one more row than asked tells whether another page follows. */
export function shotPageQuery(
  transaction: AcademyTransaction,
  academyId: string,
  query: ShotListQuery,
  after: ShotCursor | null,
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
    conditions.push(
      sql`(${shot.pulledAt}, ${shot.shotId}) < (${after.pulledAt}::timestamptz, ${after.shotId}::uuid)`,
    )
  return transaction
    .select({ shot: getTableColumns(shot), revision: newest._.selectedFields })
    .from(shot)
    .innerJoinLateral(newest, sql`true`)
    .where(and(...conditions))
    .orderBy(desc(shot.pulledAt), desc(shot.shotId))
    .limit(query.limit + 1)
}

export async function listShots(
  transaction: AcademyTransaction,
  academyId: string,
  query: ShotListQuery,
  after: ShotCursor | null,
): Promise<ShotSummary[]> {
  const rows = await shotPageQuery(transaction, academyId, query, after)
  return rows.map((row) => toSummary(row.shot, row.revision))
}

/** The named recipe revisions, each once. */
export async function findRecipeRevisions(
  transaction: AcademyTransaction,
  ids: readonly string[],
): Promise<RecipeRevision[]> {
  if (ids.length === 0) return []
  const rows = await transaction
    .select()
    .from(recipeRevision)
    .where(inArray(recipeRevision.recipeRevisionId, [...new Set(ids)]))
  return rows.map(toRecipeRevision)
}

function toSummary(row: ShotRow, revision: RevisionRow): ShotSummary {
  return {
    shotId: row.shotId,
    personId: row.personId,
    recipeRevisionId: row.recipeRevisionId,
    barId: row.barId,
    grinderId: row.grinderId,
    bagId: row.bagId,
    pulledAt: row.pulledAt.toISOString(),
    current: toRevision(revision),
  }
}

function toRevision(row: RevisionRow): ShotRevision {
  return {
    revisionId: row.revisionId,
    revisionNo: row.revisionNo,
    reason: row.reason,
    recordedAt: row.recordedAt.toISOString(),
    receivedAt: row.receivedAt.toISOString(),
    facts: toFacts(row),
  }
}
