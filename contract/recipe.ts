import { CLOCKS, type Recipe } from '@calm-apron/core'
import { z } from 'zod'
import { id, name } from './primitives.ts'

/** The targets and tolerances of a recipe; masses in g, times in s on `clock`. */
export const recipeTargets = z.strictObject({
  doseG: z.number().positive(),
  doseToleranceG: z.number().positive(),
  yieldG: z.number().positive(),
  yieldToleranceG: z.number().positive(),
  clock: z.enum(CLOCKS),
  timeMinS: z.number().positive(),
  timeMaxS: z.number().positive(),
  firstDropMinS: z.number().nonnegative(),
  firstDropMaxS: z.number().positive(),
  tasteTolerance: z.number().nonnegative(),
  sweetMin: z.number().min(0).max(10),
}) satisfies z.ZodType<Recipe>

/** A recipe as it stood when a shot was judged by it. */
export const recipeRevision = z.strictObject({
  recipeRevisionId: id,
  recipeId: id,
  revisionNo: z.int().positive(),
  name,
  targets: recipeTargets,
})
export type RecipeRevision = z.infer<typeof recipeRevision>
