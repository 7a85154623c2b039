import { type RecipeRevision, contentVersion, recipeContent, upcast } from '@calm-apron/contract'

/** A revision of a recipe, as shots point to it. Its content was checked when it was stored. */
export function toRecipeRevision(row: {
  revisionId: string
  preparedId: string
  revisionNo: number
  content: Record<string, unknown>
  /** Left out of what has been brought up to today's shape. */
  contentVersion?: number
}): RecipeRevision {
  return {
    recipeRevisionId: row.revisionId,
    recipeId: row.preparedId,
    revisionNo: row.revisionNo,
    ...recipeContent.parse(upcast('recipe', row.content, row.contentVersion ?? contentVersion('recipe'))),
  }
}
