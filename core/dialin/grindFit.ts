import type { Recipe } from '../recipe/recipe.ts'
import { lnTimeAt } from './grindModel.ts'
import { finenessNow, observationsOf } from './observations.ts'
import { situationOf } from './situation.ts'
import type { DialInGrinder, DialInWish, GrindShot } from './types.ts'

/** The line that the shots so far draw, and the shots themselves at the recipe's dose; times in s on its clock. */
export interface GrindFit {
  line: { setting: number; s: number; lowS: number; highS: number }[]
  shots: { setting: number; s: number; bound: 'at-least' | 'at-most' | null }[]
}

const POINTS = 25
const FOUR_IN_FIVE = 1.2816

/**
 * Time against setting as believed now: the line, the range in which a shot falls four times out of five, and the
 * session's shots of this coffee.
 * @param from,to the settings between which the line is drawn
 */
export function grindFit(
  history: readonly GrindShot[],
  recipe: Recipe,
  grinder: DialInGrinder,
  wish: DialInWish,
  [from, to]: readonly [number, number],
): GrindFit {
  const { model } = situationOf(history, recipe, grinder, wish)
  const line = Array.from({ length: POINTS }, (_, at) => {
    const setting = from + ((to - from) * at) / (POINTS - 1)
    const { mean, variance } = lnTimeAt(model, finenessNow(setting, grinder))
    const sd = Math.sqrt(variance + model.mean.noise ** 2)
    const at80 = (sds: number) => Math.exp(mean + sds * sd)
    return { setting, s: at80(0), lowS: at80(-FOUR_IN_FIVE), highS: at80(FOUR_IN_FIVE) }
  })
  const shots = observationsOf(history, recipe, grinder)
    .filter(({ isThisSession, coffeeId }) => isThisSession && coffeeId === wish.coffeeId)
    .map(({ setting, lnTime, bound }) => ({ setting, s: Math.exp(lnTime), bound }))
  return { line, shots }
}
