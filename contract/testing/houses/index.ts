import { SEEING_HOUSES } from './seeing.ts'
import { WEIGHING_HOUSES } from './weighing.ts'

/** Nineteen ways of working, set up as their people would: each one must be told the right words and the right next move. */
export const HOUSES = [...WEIGHING_HOUSES, ...SEEING_HOUSES]
export { factsOf, recipeOf } from './house.ts'
export type { House } from './house.ts'
