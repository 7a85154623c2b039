/** About how much caffeine a gram of dry coffee holds, in mg. */
const MG_PER_G = { arabica: 10, robusta: 20 } as const

/** Common guidance for a day, in mg: the most for healthy adults, and when pregnant. It is no medical advice. */
export const CAFFEINE_GUIDANCE_MG = { adult: 400, pregnant: 200 } as const

/** One tasting: the dry dose in g, the share of robusta, and the share of the drink that was swallowed, each 0–1. */
export interface Tasting {
  doseG: number
  robustaShare: number
  swallowedShare: number
}

/**
 * Caffeine swallowed in a day's tastings, in mg. All of a dose's caffeine is taken to be in the cup, which errs high.
 * @example caffeineMg([{ doseG: 18, robustaShare: 0, swallowedShare: 1 }]) // => 180
 */
export function caffeineMg(tastings: readonly Tasting[]): number {
  return tastings
    .map(({ doseG, robustaShare, swallowedShare }) => {
      const mgPerG = MG_PER_G.arabica * (1 - robustaShare) + MG_PER_G.robusta * robustaShare
      return doseG * mgPerG * swallowedShare
    })
    .reduce((sum, mg) => sum + mg, 0)
}
