import { type RecipeRevision, type ShotSummary, recordedOf } from '@calm-apron/contract'
import { type Readings, readRecorded } from '@calm-apron/core'
import type { AcademyTransaction } from '../database/pool.ts'
import { findRecipeRevisions } from '../shots/queries.ts'

/** How to read any of these shots, each against the recipe it was judged by; null where that is not found. */
export async function readerOf(
  transaction: AcademyTransaction,
  summaries: readonly ShotSummary[],
): Promise<(summary: ShotSummary) => Readings | null> {
  const ids = summaries.map(({ recipeRevisionId }) => recipeRevisionId)
  const found = await findRecipeRevisions(transaction, ids)
  const recipes = new Map<string, RecipeRevision>(found.map((recipe) => [recipe.recipeRevisionId, recipe]))
  return (summary) => {
    const recipe = recipes.get(summary.recipeRevisionId)
    return recipe === undefined ? null : readRecorded(recordedOf(summary), recipe.targets)
  }
}
