import type { Recipe } from '../recipe/recipe.ts'
import type { DialInGrinder, DialInWish, GrindSeen } from './types.ts'

/** One shot as the model sees it. */
export interface Observation {
  coffeeId: string
  daysAgo: number
  setting: number
  /** Grows with fineness, in units of the scale; a known inner burr is counted in. */
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

/** Fineness of a setting, in units of the scale. */
export function finenessOf(setting: number, innerBurrAt: number | null, grinder: DialInGrinder): number {
  const shift = (innerBurrAt ?? 0) * (grinder.innerBurr?.settingsPerUnit ?? 0)
  return (grinder.finerIs === 'higher' ? 1 : -1) * (setting + shift)
}

/** Fineness of a setting with the inner burr where it stands now. */
export function finenessNow(setting: number, grinder: DialInGrinder): number {
  return finenessOf(setting, grinder.innerBurr?.at ?? null, grinder)
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

/**
 * The shots that say something of this grinder under this recipe; those through another basket, of another dose, or at
 * another inner burr that can't be compared, don't.
 */
export function observationsOf(
  seen: readonly GrindSeen[],
  recipe: Recipe,
  grinder: DialInGrinder,
  { basketId }: Pick<DialInWish, 'basketId'>,
): Observation[] {
  const target = targetLn(recipe)
  return seen.flatMap((shot) => {
    const doseLn = Math.log((shot.doseG ?? recipe.doseG) / recipe.doseG)
    const isOtherBasket = basketId !== null && shot.basketId !== null && shot.basketId !== basketId
    if (shot.timeS === null || isOtherBasket || Math.abs(doseLn) > SAME_DOSE_LN) return []
    if (!isComparable(shot, grinder)) return []
    return [
      {
        coffeeId: shot.coffeeId,
        daysAgo: shot.daysAgo,
        setting: shot.setting,
        fineness: finenessOf(shot.setting, shot.innerBurrAt, grinder),
        missLn: Math.log(Math.max(shot.timeS, 1)) - target - shot.shiftLn,
        doseLn,
        bound: shot.bound,
        extraSd: shot.spreadLn,
        isDialIn: shot.isDialIn,
      },
    ]
  })
}

function isComparable({ innerBurrAt }: GrindSeen, { innerBurr }: DialInGrinder): boolean {
  if (innerBurr === null || innerBurrAt === null) return true
  return innerBurr.settingsPerUnit !== null || innerBurr.at === innerBurrAt
}
