import { z } from 'zod'
import { ROLES, academy } from './academy.ts'
import { bagContent } from './prepared/kinds/bag.ts'
import { barContent } from './prepared/kinds/bar.ts'
import { basketContent } from './prepared/kinds/basket.ts'
import { cautionContent } from './prepared/kinds/caution.ts'
import { coffeeContent } from './prepared/kinds/coffee.ts'
import { grinderContent } from './prepared/kinds/grinder.ts'
import { machineContent } from './prepared/kinds/machine.ts'
import { recipeRevision } from './prepared/kinds/recipe.ts'
import { routineContent } from './prepared/kinds/routine.ts'
import { vesselContent } from './prepared/kinds/vessel.ts'
import { waterContent } from './prepared/kinds/water.ts'
import { id, instant } from './primitives.ts'

/** Someone whom records name; the name is empty once they were erased. */
export const todayPerson = z.strictObject({
  personId: id,
  displayName: z.string(),
  role: z.enum(ROLES),
  isActive: z.boolean(),
})
export type TodayPerson = z.infer<typeof todayPerson>

/** A bag that is not finished, and what shots and purges left of it. */
export const todayBag = z.strictObject({ bagId: id, ...bagContent.shape, leftG: z.number().nonnegative() })
export type TodayBag = z.infer<typeof todayBag>

/** A coffee with its bags that are about. */
export const todayCoffee = z.strictObject({
  coffeeId: id,
  ...coffeeContent.shape,
  /** Used of late, in g a day. */
  gramsPerDay: z.number().nonnegative(),
  /** Newest roast first. */
  bags: z.array(todayBag),
})
export type TodayCoffee = z.infer<typeof todayCoffee>

/** A machine as the bar needs it. */
export const todayMachine = z.strictObject({ machineId: id, ...machineContent.shape })
export type TodayMachine = z.infer<typeof todayMachine>
/** A grinder as the bar needs it. */
export const todayGrinder = z.strictObject({ grinderId: id, ...grinderContent.shape })
export type TodayGrinder = z.infer<typeof todayGrinder>
/** A vessel as the bar needs it. */
export const todayVessel = z.strictObject({ id, ...vesselContent.shape })
export type TodayVessel = z.infer<typeof todayVessel>

/** A routine as the bar needs it. */
export const todayRoutine = z.strictObject({ routineId: id, ...routineContent.shape })
export type TodayRoutine = z.infer<typeof todayRoutine>
/** A basket as the bar needs it. */
export const todayBasket = z.strictObject({ basketId: id, ...basketContent.shape })
export type TodayBasket = z.infer<typeof todayBasket>

/** A room with all that stands in it. */
export const todayBar = z.strictObject({
  barId: id,
  ...barContent.shape,
  machines: z.array(todayMachine),
  grinders: z.array(todayGrinder),
  baskets: z.array(todayBasket),
  vessels: z.array(todayVessel),
  waters: z.array(z.strictObject({ waterId: id, ...waterContent.shape })),
})
export type TodayBar = z.infer<typeof todayBar>

/**
 * All that Today shows and the bar needs before a shot, without what was put away; recipes in their newest revision,
 * coffees of which a bag is about or was used of late.
 * A trainee is told of themselves, of those who teach, and of those with whom they sit in a training.
 */
export const today = z.strictObject({
  academy,
  people: z.array(todayPerson),
  recipes: z.array(recipeRevision),
  /** Revisions that were replaced lately: shots not yet sent may have been pulled by them. */
  earlierRecipes: z.array(recipeRevision),
  coffees: z.array(todayCoffee),
  bars: z.array(todayBar),
  routines: z.array(todayRoutine),
  /** Cautions in the academy's own words; the shipped ones are the catalogue's. */
  cautions: z.array(z.strictObject({ cautionId: id, ...cautionContent.shape })),
  /** Shots of the last day whose reading waits for the call of whoever pulled them, newest first. */
  awaiting: z.array(z.strictObject({ shotId: id, personId: id, pulledAt: instant })),
  /** What still dripped after the last stops at a machine, in g, oldest first. */
  leads: z.array(z.strictObject({ machineId: id, leadsG: z.array(z.number()) })),
  /** What was in the last cups of a machine that stops by itself, in g, by group and recipe, oldest first. */
  yields: z
    .array(
      z.strictObject({
        machineId: id,
        groupNo: z.int().nonnegative(),
        recipeId: id,
        cupsG: z.array(z.number()),
      }),
    )
    .default([]),
  /** Prepared things whose content is not what this release expects, and which are therefore left out. */
  unreadable: z.array(z.strictObject({ preparedId: id, name: z.string() })).default([]),
})
export type Today = z.infer<typeof today>
