import type { Recipe } from '../recipe/recipe.ts'
import { THRESHOLDS } from '../thresholds.ts'
import type { ShotFacts } from './facts.ts'
import { yieldSeen } from './yieldShare.ts'

type UsualDrops = Pick<Recipe, 'firstDropMinS' | 'firstDropMaxS'>

/** The middle of where a recipe's first drop usually falls, in s from pump start. */
export function usualFirstDropS({ firstDropMinS, firstDropMaxS }: UsualDrops): number {
  return (firstDropMinS + firstDropMaxS) / 2
}

/** Where a first drop lies to what is usual for its recipe, in a word. */
export function firstDropSays(
  firstDropS: number,
  { firstDropMinS, firstDropMaxS }: UsualDrops,
): 'early' | 'usual' | 'late' {
  if (firstDropS < firstDropMinS) return 'early'
  return firstDropS > firstDropMaxS ? 'late' : 'usual'
}

/**
 * Whether water was held back: no drop by twice the latest usual one, in s from pump start. Such a puck choked, or broke
 * open afterwards; whatever is counted from its first drop on, it did not run fast.
 * @param noDropForS null where nobody marked it, so that nothing is known of it
 */
export function isHeldBack(noDropForS: number | null, { firstDropMaxS }: UsualDrops): boolean {
  return noDropForS !== null && noDropForS >= firstDropMaxS * THRESHOLDS.chokeFirstDropTimes
}

/** What a shot as a whole would have taken at least, in s on its recipe's clock, in proportion to how long no drop came. */
export function leastTimeS(noDropForS: number, { timeMaxS, firstDropMaxS }: Recipe): number {
  return (timeMaxS * noDropForS) / firstDropMaxS
}

/**
 * Whether a first drop that came so late can only have been marked too late: somebody saw the shot gush, or more is in
 * the cup than any puck lets through in what was left of it.
 */
export function isMarkedLate(facts: ShotFacts, recipe: Recipe): boolean {
  const { stopS = 0, firstDropS = null } = facts.clock ?? {}
  if (firstDropS === null || !isHeldBack(firstDropS, recipe)) return false
  const cupG = (yieldSeen(facts, recipe)?.share ?? 0) * recipe.yieldG
  return facts.abandoned === 'gushed' || cupG > (stopS - firstDropS) * THRESHOLDS.brokenOpenGPerS
}
