import type { RecipeRevision } from '@calm-apron/contract'
import { recordedOf } from '@calm-apron/contract'
import { type BarDrift, barDrifts, readRecorded } from '@calm-apron/core'
import type { AcademyTransaction } from '../database/pool.ts'
import { findRecipeRevisions } from '../shots/queries.ts'
import { shotsOfDay } from './queries.ts'

/** A bar that was left overnight is another one. */
const DAY_MS = 8 * 3_600_000

/** What runs off for everybody at the moment. */
export async function driftsNow(
  transaction: AcademyTransaction,
  academyId: string,
  now: Date,
): Promise<BarDrift[]> {
  const summaries = await shotsOfDay(transaction, academyId, new Date(now.getTime() - DAY_MS))
  const found = await findRecipeRevisions(
    transaction,
    summaries.map(({ recipeRevisionId }) => recipeRevisionId),
  )
  const recipes = new Map<string, RecipeRevision>(found.map((recipe) => [recipe.recipeRevisionId, recipe]))
  const shots = summaries.toReversed().flatMap((summary) => {
    const { personId, pulledAt, grinderId, recipeRevisionId } = summary
    const recipe = recipes.get(recipeRevisionId)
    if (grinderId === null || recipe === undefined) return []
    const { time } = readRecorded(recordedOf(summary), recipe.targets)
    return [{ personId, pulledAt, grinderId, recipeRevisionId, time }]
  })
  return barDrifts(shots)
}
