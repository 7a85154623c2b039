import type { RecipeRevision } from '@calm-apron/contract'
import type { InferInsertModel, InferSelectModel } from 'drizzle-orm'
import type { recipeRevision } from '../database/schema/index.ts'

type RecipeRow = InferSelectModel<typeof recipeRevision>

/** A row in the contract's words; named one by one, so that a new column is not sent by accident. */
export function toRecipeRevision(row: RecipeRow): RecipeRevision {
  return {
    recipeRevisionId: row.recipeRevisionId,
    recipeId: row.recipeId,
    revisionNo: row.revisionNo,
    name: row.name,
    targets: {
      doseG: row.doseG,
      doseToleranceG: row.doseToleranceG,
      yieldG: row.yieldG,
      yieldToleranceG: row.yieldToleranceG,
      clock: row.clock,
      timeMinS: row.timeMinS,
      timeMaxS: row.timeMaxS,
      firstDropMinS: row.firstDropMinS,
      firstDropMaxS: row.firstDropMaxS,
      tasteTolerance: row.tasteTolerance,
      sweetMin: row.sweetMin,
    },
  }
}

/** The other way round, for an academy. */
export function fromRecipeRevision(
  academyId: string,
  revision: RecipeRevision,
): InferInsertModel<typeof recipeRevision> {
  const { targets, ...rest } = revision
  return { academyId, ...rest, ...targets }
}
