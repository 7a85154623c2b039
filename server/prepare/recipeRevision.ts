import { type RecipeRevision, recipeContent } from '@calm-apron/contract'

/** A revision of a recipe, as shots point to it. Its content was checked when it was stored. */
export function toRecipeRevision(row: {
  revisionId: string
  preparedId: string
  revisionNo: number
  content: Record<string, unknown>
}): RecipeRevision {
  return {
    recipeRevisionId: row.revisionId,
    recipeId: row.preparedId,
    revisionNo: row.revisionNo,
    ...recipeContent.parse(row.content),
  }
}
