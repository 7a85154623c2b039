import { type RecipeRevision, type ShotSummary, recordedOf } from '@calm-apron/contract'
import { type Readings, readRecorded } from '@calm-apron/core'
import type { AcademyTransaction } from '../database/pool.ts'
import { recipesOf } from '../shots/queries.ts'

/** How a shot is read against the recipe it was judged by; null where that is not found. */
export type Read = (summary: ShotSummary) => Readings | null

/** How to read any of these shots. */
export async function readerOf(
  transaction: AcademyTransaction,
  summaries: readonly ShotSummary[],
): Promise<Read> {
  return readerBy(await recipesOf(transaction, summaries))
}

/** How to read any shot by one of these recipes, each under the id of its revision. */
export function readerBy(recipes: ReadonlyMap<string, RecipeRevision>): Read {
  return (summary) => {
    const recipe = recipes.get(summary.recipeRevisionId)
    return recipe === undefined ? null : readRecorded(recordedOf(summary), recipe.targets)
  }
}
