import { type ShotSummary, recordedOf } from '@calm-apron/contract'
import { type Readings, readRecorded } from '@calm-apron/core'
import type { AcademyTransaction } from '../database/pool.ts'
import { recipesOf } from '../shots/queries.ts'

/** How to read any of these shots, each against the recipe it was judged by; null where that is not found. */
export async function readerOf(
  transaction: AcademyTransaction,
  summaries: readonly ShotSummary[],
): Promise<(summary: ShotSummary) => Readings | null> {
  const recipes = await recipesOf(transaction, summaries)
  return (summary) => {
    const recipe = recipes.get(summary.recipeRevisionId)
    return recipe === undefined ? null : readRecorded(recordedOf(summary), recipe.targets)
  }
}
