import { z } from 'zod'
import { academy, bar, coffee, person } from './academy.ts'
import { id, instant } from './primitives.ts'
import { recipeRevision } from './recipe.ts'
import { shotInput } from './shot.ts'

/** A whole academy as one JSON document; ids make loading it twice the same as once. */
export const academyFile = z.strictObject({
  format: z.literal('calm-apron-academy'),
  version: z.literal(1),
  madeAt: instant,
  academy,
  people: z.array(person),
  recipes: z.array(recipeRevision),
  coffees: z.array(coffee),
  bars: z.array(bar),
  shots: z.array(z.strictObject({ shotId: id, ...shotInput.shape })),
})
export type AcademyFile = z.infer<typeof academyFile>
