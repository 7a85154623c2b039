import type { Recipe } from '../recipe/recipe.ts'
import { THRESHOLDS } from '../thresholds.ts'

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
 */
export function isHeldBack(firstDropS: number, { firstDropMaxS }: UsualDrops): boolean {
  return firstDropS >= firstDropMaxS * THRESHOLDS.chokeFirstDropTimes
}
