import { z } from 'zod'
import { ROLES, academy, bar, coffee } from './academy.ts'
import { id } from './primitives.ts'
import { recipeRevision } from './recipe.ts'

/** Someone whom records name; the name is empty once they were erased. */
export const todayPerson = z.strictObject({
  personId: id,
  displayName: z.string(),
  role: z.enum(ROLES),
  isActive: z.boolean(),
})
export type TodayPerson = z.infer<typeof todayPerson>

/** A trainee is told of themselves and of those who teach. All that Today shows and the bar needs before a shot; recipes in their newest revision. */
export const today = z.strictObject({
  academy,
  people: z.array(todayPerson),
  recipes: z.array(recipeRevision),
  coffees: z.array(coffee),
  bars: z.array(bar),
})
export type Today = z.infer<typeof today>
