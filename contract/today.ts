import { z } from 'zod'
import { academy, bar, coffee, person } from './academy.ts'
import { recipeRevision } from './recipe.ts'

/** All that Today shows and the bar needs before a shot; recipes in their newest revision. */
export const today = z.strictObject({
  academy,
  people: z.array(person),
  recipes: z.array(recipeRevision),
  coffees: z.array(coffee),
  bars: z.array(bar),
})
export type Today = z.infer<typeof today>
