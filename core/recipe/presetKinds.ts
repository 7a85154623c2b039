import type { DoseMethod } from '../shot/doseMethod.ts'
import type { LowDoseRule } from '../shot/seen.ts'
import type { Recipe, RecipeSchool } from './recipe.ts'

export const TAMP_SCHOOLS = ['settled', 'force', 'depth', 'levelling-tool', 'lever'] as const
/** What ends a tamp: the bed, a force, a depth, or a tool that sets it. */
export type TampSchool = (typeof TAMP_SCHOOLS)[number]

/** For how many cups a basket is made. */
export const BASKET_SIZES = ['single', 'double', 'triple'] as const
export type BasketSize = (typeof BASKET_SIZES)[number]

/** How a recipe is made, beyond what it is judged by. */
export interface RecipeMethod {
  doseBy: DoseMethod
  tampBy: TampSchool
  isTwisted: boolean
  temperatureC: number | null
  /** null: as the house does. */
  lowDoseRule: LowDoseRule | null
  /** Whether the dose may knowingly be more than the basket is made for. */
  mayExceedBasket: boolean
}

/** One school of espresso, as a start for a recipe of one's own. */
export interface RecipePreset {
  targets: Recipe & { school: RecipeSchool }
  method: RecipeMethod
  basketSize: BasketSize
}

/** Recipes that ship, a school each. */
export const RECIPE_PRESETS = [
  'normale-pump',
  'normale-drop',
  'short',
  'long',
  'volume',
  'taste-led',
  'single',
  'beginners',
  'held-preinfusion',
  'basket-line',
  'assisted',
] as const
export type RecipePresetKey = (typeof RECIPE_PRESETS)[number]

/** Tolerances of the dose that houses follow, in g, from exact to about; any other can be typed. */
export const DOSE_TOLERANCES_G = {
  exact: 0.05,
  tenth: 0.1,
  'two-tenths': 0.2,
  usual: 0.3,
  half: 0.5,
  about: 1,
} as const
