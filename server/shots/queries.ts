import type { RecipeRevision, ShotDetail, ShotInput, ShotListQuery, ShotSummary } from '@calm-apron/contract'
import { type SQL, and, desc, eq, getTableColumns, sql } from 'drizzle-orm'
import type { QueryBuilder } from 'drizzle-orm/pg-core'
import { anyOf } from '../database/anyOf.ts'
import { containing } from '../database/containing.ts'
import { filteredQuery, keptQuery } from '../database/keptQuery.ts'
import { keptInsertTold, keptInsertUnlessTaken } from '../database/keptInsert.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { together } from '../database/together.ts'
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
import { type StoredFacts, toColumns } from './factsRow.ts'
import { FOUND_ALIKE, SHOT_FILTERS } from './shotFilters.ts'
import {
  BESIDE,
  type FoundShot,
  REVISION,
  SERIES,
  SHOT,
  noteText,
  toRevision,
  toSummary,
  toldOf,
} from './shotRow.ts'

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

/** Stores the shot unless its id is taken; tells it as it was stored, or (null) that it was not. */
export async function insertShot(
  transaction: AcademyTransaction,
  academyId: string,
  shotId: string,
  input: ShotInput,
  { at: pulledAt, aheadS: clockAheadS }: DeviceInstant,
  stood: AsItStood,
): Promise<FoundShot['shot'] | null> {
  const { facts: _facts, judgedBy: _judgedBy, note: _note, series, pulledAt: _told, ...rest } = input
  // It stands among what was so when the shot was pulled.
  const { focus: _focus, ...setting } = rest
  const row = { academyId, shotId, ...setting, pulledAt, clockAheadS, stood }
  const [stored] = await together([
    insertUnlessTaken(transaction, row),
    series === null
      ? Promise.resolve(null)
      : insertSeriesUnlessTaken(transaction, { academyId, shotId, ...series }),
  ])
  return stored
}

const insertUnlessTaken = keptInsertUnlessTaken(shot)
const insertSeriesUnlessTaken = keptInsertUnlessTaken(shotSeries)

/** Stores a revision; tells it as it was stored. */
export function insertRevision(
  transaction: AcademyTransaction,
  academyId: string,
  revision: NewRevision,
): Promise<FoundShot['revision']> {
  const { facts, ...head } = revision
  return insertFacts(transaction, { academyId, ...head, ...toColumns(facts) })
}

const insertFacts = keptInsertTold(shotRevision)

export interface ShotOwner extends Pick<
  ShotInput,
  'personId' | 'trainingId' | 'purpose' | 'isCallAsked' | 'isFirstCallAsked' | 'areNotesAsked'
> {
  shotId: string
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
      isCallAsked: shot.isCallAsked,
      isFirstCallAsked: shot.isFirstCallAsked,
      areNotesAsked: shot.areNotesAsked,
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
  const [row] = await revisionById(transaction, { revisionId })
  return row ?? null
}

const revisionById = keptQuery((builder) =>
  builder
    .select({
      shotId: shotRevision.shotId,
      bodyDigest: shotRevision.bodyDigest,
      noteTextId: shotRevision.noteTextId,
    })
    .from(shotRevision)
    .where(eq(shotRevision.revisionId, sql.placeholder('revisionId'))),
)

/** A shot, its recipe, and its revisions newest first; null when there is none by that id. */
export async function findShot(transaction: AcademyTransaction, shotId: string): Promise<ShotDetail | null> {
  const [found] = await findShots(transaction, [shotId])
  return found ?? null
}

/** These shots with all their revisions, newest first. */
export async function findShots(
  transaction: AcademyTransaction,
  shotIds: readonly string[],
): Promise<ShotDetail[]> {
  const [rows, tasted] = await together([
    wholeShots(transaction, { shotIds }),
    tastedOf(transaction, shotIds),
  ])
  const details = new Map<string, ShotDetail>()
  // Many shots were pulled by one recipe: it is read once.
  const recipes = new Map<string, RecipeRevision>()
  for (const row of rows) {
    const recipe = recipes.get(row.recipe.revisionId) ?? toRecipeRevision(row.recipe)
    recipes.set(row.recipe.revisionId, recipe)
    const revision = toRevision(row.revision, row.beside)
    const known = details.get(row.shot.shotId)
    if (known) known.revisions.push(revision)
    else
      details.set(row.shot.shotId, {
        ...toSummary(row, tasted),
        recipe,
        revisions: [revision],
      })
  }
  return [...details.values()]
}

const wholeShots = keptQuery((builder) =>
  builder
    .select({
      shot: SHOT,
      recipe: getTableColumns(preparedRevision),
      revision: REVISION,
      series: SERIES,
      beside: BESIDE,
    })
    .from(shot)
    .innerJoin(preparedRevision, eq(preparedRevision.revisionId, shot.recipeRevisionId))
    .innerJoin(shotRevision, eq(shotRevision.shotId, shot.shotId))
    .leftJoin(shotSeries, eq(shotSeries.shotId, shot.shotId))
    .leftJoin(freeText, eq(freeText.textId, shotRevision.reasonTextId))
    .leftJoin(noteText, eq(noteText.textId, shotRevision.noteTextId))
    .leftJoin(claim, eq(claim.recordId, shotRevision.revisionId))
    .where(anyOf(shot.shotId, sql.placeholder('shotIds')))
    .orderBy(desc(shot.pulledAt), desc(shot.shotId), desc(shotRevision.revisionNo)),
)

/** Calls a shot otherwise than it was called. */
export async function updatePurpose(
  transaction: AcademyTransaction,
  shotId: string,
  purpose: Pick<ShotInput, 'purpose' | 'faultShown'>,
): Promise<void> {
  await transaction.update(shot).set(purpose).where(eq(shot.shotId, shotId))
}

/** Which shots: those of a list, or those named. */
type ShotsAsked = Omit<ShotListQuery, 'cursor'> & { shotIds?: readonly string[] }

/** The query behind one page of the list. */
export function shotPageQuery(builder: Pick<QueryBuilder, 'select'>, where: SQL | undefined) {
  const newest = builder
    .select()
    .from(shotRevision)
    .where(and(eq(shotRevision.academyId, shot.academyId), eq(shotRevision.shotId, shot.shotId)))
    .orderBy(desc(shotRevision.revisionNo))
    .limit(1)
    .as('newest')
  return builder
    .select({
      shot: SHOT,
      revision: toldOf(newest._.selectedFields),
      series: SERIES,
      beside: BESIDE,
    })
    .from(shot)
    .innerJoinLateral(newest, sql`true`)
    .leftJoin(shotSeries, eq(shotSeries.shotId, shot.shotId))
    .leftJoin(freeText, eq(freeText.textId, newest.reasonTextId))
    .leftJoin(noteText, eq(noteText.textId, newest.noteTextId))
    .leftJoin(claim, eq(claim.recordId, newest.revisionId))
    .where(where)
    .orderBy(desc(shot.pulledAt), desc(shot.shotId))
}

const shotPage = filteredQuery(SHOT_FILTERS, FOUND_ALIKE, (builder, where) => shotPageQuery(builder, where))

/** Shots, and by which recipe each was judged, under the id of its revision. */
export interface ShotsAndRecipes {
  shots: ShotSummary[]
  recipes: Map<string, RecipeRevision>
}

/** One page of shots, newest first, and one more where another page follows. */
export async function listShots(
  transaction: AcademyTransaction,
  academyId: string,
  { limit, reading, text, ...asked }: ShotsAsked,
  after: PageEnd | null,
  isOpenOnly: boolean,
): Promise<ShotsAndRecipes> {
  const rows = await shotPage(
    transaction,
    {
      ...asked,
      ...(reading !== undefined && { [`${reading}Stood`]: true }),
      ...(text !== undefined && { text: containing(text) }),
      academyId,
      isOpenOnly,
      after: after ?? undefined,
    },
    { afterAt: after?.at, afterId: after?.id },
    limit + 1,
  )
  return shotsAndRecipes(transaction, rows)
}

/** Rows of `shotPageQuery` as they are told, with what was tasted of them. */
export async function summariesOf(
  transaction: AcademyTransaction,
  rows: readonly FoundShot[],
): Promise<ShotSummary[]> {
  const tasted = await tastedOf(
    transaction,
    rows.map((row) => row.shot.shotId),
  )
  return rows.map((row) => toSummary(row, tasted))
}

/** The same, and by which recipes they were judged. */
export async function shotsAndRecipes(
  transaction: AcademyTransaction,
  rows: readonly FoundShot[],
): Promise<ShotsAndRecipes> {
  const judged = rows.map((row) => row.shot)
  const [shots, recipes] = await together([summariesOf(transaction, rows), recipesOf(transaction, judged)])
  return { shots, recipes }
}

/** The named recipe revisions, each once. */
export async function findRecipeRevisions(
  transaction: AcademyTransaction,
  ids: readonly string[],
): Promise<RecipeRevision[]> {
  if (ids.length === 0) return []
  return (await recipesById(transaction, { ids: [...new Set(ids)] })).map(toRecipeRevision)
}

/** The recipe that each of these shots was judged by, by the id of its revision. */
export async function recipesOf(
  transaction: AcademyTransaction,
  shots: readonly Pick<ShotSummary, 'recipeRevisionId'>[],
): Promise<Map<string, RecipeRevision>> {
  const found = await findRecipeRevisions(
    transaction,
    shots.map(({ recipeRevisionId }) => recipeRevisionId),
  )
  return new Map(found.map((recipe) => [recipe.recipeRevisionId, recipe]))
}

const recipesById = keptQuery((builder) =>
  builder
    .select()
    .from(preparedRevision)
    .where(anyOf(preparedRevision.revisionId, sql.placeholder('ids'))),
)
