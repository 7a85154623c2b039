import type { TasteTargets } from '../recipe/recipe.ts'
import type { Spot } from './options.ts'
import { type Situation, shotsAt } from './situation.ts'

/** So many tongues make a taste the house's own. */
export const TRUSTED_TONGUES = 2

/** What at least two trusted tongues tasted in good cups at one spot, as a mean; null where no two did. */
export function tastedAs(situation: Pick<Situation, 'session' | 'recipe'>, spot: Spot): TasteTargets | null {
  const good = shotsAt(spot, situation).filter(({ leaning }) => leaning === 'balanced')
  const tongues = new Set(good.flatMap(({ tasters }) => tasters))
  const tastes = good.flatMap(({ taste }) => taste ?? [])
  if (tongues.size < TRUSTED_TONGUES || tastes.length === 0) return null
  const mean = (of: keyof TasteTargets) =>
    Math.round((10 * tastes.reduce((sum, each) => sum + each[of], 0)) / tastes.length) / 10
  return { sour: mean('sour'), sweet: mean('sweet'), bitter: mean('bitter') }
}
