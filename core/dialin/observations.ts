import { finerSign, roundSetting, settingAfterBurrMove } from '../equipment/grinder.ts'
import type { Recipe } from '../recipe/recipe.ts'
import type { DialInGrinder, DialInWish, GrindSeen } from './types.ts'

/** One shot as the model sees it. */
export interface Observation {
  coffeeId: string
  daysAgo: number
  setting: number
  /** Grows with fineness, in units of the scale. */
  fineness: number
  /** ln(time ÷ middle of the window), as it would be without the faults that were seen. */
  missLn: number
  /** ln(dose ÷ the recipe's). */
  doseLn: number
  bound: GrindSeen['bound']
  /** What faults, and a cup that nobody weighed, add to the spread of ln time. */
  extraSd: number
  isDialIn: boolean
}

/** Beyond this, as |ln|, another dose is another recipe. */
const SAME_DOSE_LN = 0.15

/** Fineness of a setting, in units of the scale as it reads now. */
export function finenessOf(setting: number, grinder: Pick<DialInGrinder, 'finerIs'>): number {
  return finerSign(grinder) * setting
}

/** Shots with their settings as the scale reads with the inner burr where it is now; where nobody can tell, without them. */
export function asItReadsNow<S extends GrindSeen>(shots: readonly S[], { innerBurr }: DialInGrinder): S[] {
  if (innerBurr === null) return [...shots]
  return shots.flatMap((shot) => {
    const { setting, innerBurrAt } = shot
    const then = innerBurrAt === null ? innerBurr : { ...innerBurr, at: innerBurrAt }
    const now = settingAfterBurrMove(setting, then, innerBurr)
    return now === null ? [] : [{ ...shot, setting: roundSetting(now) }]
  })
}

/** Window in ln of time. */
export function windowLn(recipe: Recipe): { from: number; to: number } {
  return { from: Math.log(recipe.timeMinS), to: Math.log(recipe.timeMaxS) }
}

/** Middle of the window, in ln of time. */
export function targetLn(recipe: Recipe): number {
  const { from, to } = windowLn(recipe)
  return (from + to) / 2
}

/** Half the width of the window, in ln of time. */
export function halfWindowLn(recipe: Recipe): number {
  const { from, to } = windowLn(recipe)
  return (to - from) / 2
}

/** The shots that say something of this grinder under this recipe: through the same basket, of the same dose. */
export function ofThisRecipe<S extends GrindSeen>(
  shots: readonly S[],
  recipe: Recipe,
  { basketId }: Pick<DialInWish, 'basketId'>,
): S[] {
  return shots.filter((shot) => {
    const isOtherBasket = basketId !== null && shot.basketId !== null && shot.basketId !== basketId
    return !isOtherBasket && Math.abs(doseLnOf(shot, recipe)) <= SAME_DOSE_LN
  })
}

function doseLnOf({ doseG }: GrindSeen, recipe: Recipe): number {
  return Math.log((doseG ?? recipe.doseG) / recipe.doseG)
}

/** Shots as the model sees them; those of which no time can be told are left out. */
export function observationsOf(
  shots: readonly GrindSeen[],
  recipe: Recipe,
  grinder: DialInGrinder,
): Observation[] {
  const target = targetLn(recipe)
  return shots.flatMap((shot) => {
    const { timeS, setting, coffeeId, daysAgo, bound, isDialIn } = shot
    if (timeS === null) return []
    return [
      {
        coffeeId,
        daysAgo,
        setting,
        bound,
        isDialIn,
        fineness: finenessOf(setting, grinder),
        missLn: Math.log(Math.max(timeS, 1)) - target - shot.shiftLn,
        doseLn: doseLnOf(shot, recipe),
        extraSd: shot.spreadLn,
      },
    ]
  })
}
