import { z } from 'zod'
import { id, instant } from '../primitives.ts'

/** What was ground from a bag since it was last weighed: doses of shots, and purges. */
export const bagUse = z.strictObject({
  bagId: id,
  shots: z.int().nonnegative(),
  groundG: z.number().nonnegative(),
})
export type BagUse = z.infer<typeof bagUse>

/** The pace of late, of one coffee. */
export const coffeePace = z.strictObject({ coffeeId: id, gramsPerDay: z.number().nonnegative() })
export type CoffeePace = z.infer<typeof coffeePace>

/** What shots and purges took of each bag, and the pace of each coffee. */
export const coffeeUse = z.strictObject({ bags: z.array(bagUse), pace: z.array(coffeePace) })
export type CoffeeUse = z.infer<typeof coffeeUse>

/** Settings of a grinder at which shots ran in their window, for one coffee, as its scale reads now. */
export const workedSetting = z.strictObject({
  coffeeId: id,
  coffeeName: z.string(),
  lowest: z.number(),
  median: z.number(),
  highest: z.number(),
  shots: z.int().positive(),
  lastAt: instant,
})
export type WorkedSetting = z.infer<typeof workedSetting>

/** Where a grinder ran well, and what it keeps of the beans. */
export const workedSettings = z.strictObject({
  settings: z.array(workedSetting),
  /** What stayed in the grinder, in g, of shots of which beans and grounds were weighed, newest first. */
  retainedG: z.array(z.number()).default([]),
})
export type WorkedSettings = z.infer<typeof workedSettings>
