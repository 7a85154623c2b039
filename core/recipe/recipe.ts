import type { ReadingKind } from '../skill/types.ts'

/**
 * Pump clock: 0 when water is called. Drop clock: 0 at the first drop. Pressure clock: 0 when a pre-infusion held by
 * hand is released. No two are ever compared.
 */
export const CLOCKS = ['pump', 'drop', 'pressure'] as const
export type Clock = (typeof CLOCKS)[number]

/** What a shot is judged against. Masses in g, times in s on the recipe's own `clock`. */
export interface Recipe {
  doseG: number
  doseToleranceG: number
  /** How many scoops, pulls or seconds make the dose; left out or null where it is not counted. */
  doseCount?: number | null
  yieldG: number
  yieldToleranceG: number
  clock: Clock
  timeMinS: number
  timeMaxS: number
  /** Usual instants of the first drop, in s from pump start. */
  firstDropMinS: number
  firstDropMaxS: number
  /** How far apart sour and bitter may be, and how sweet the cup should at least be; both on 0–10. */
  tasteTolerance: number
  sweetMin: number
  /** What the cup should taste of, where somebody set it; left out or null: balanced, and no more than bright. */
  taste?: TasteTargets | null
  /** Where a house departs from the usual school; left out, it doesn't. */
  school?: RecipeSchool
}

/** What a recipe's cup should taste of, each 0–10, within `tasteTolerance`. */
export interface TasteTargets {
  sour: number
  sweet: number
  bitter: number
}

/** How a house judges, where that differs: what is only recorded, and yields or tamps that are measured otherwise. */
export interface RecipeSchool {
  /** Readings that are recorded and not judged, such as the time of a shot that is stopped on weight. */
  onlyRecorded: readonly ReadingKind[]
  /** Yield as read in the cup with its crema, in ml, with what a ml of it weighs. Null: by mass. */
  volume: { targetMl: number; toleranceMl: number; gPerMl: number; gPerMlSd: number } | null
  /** A tamp of a set force in N. Null: until the bed settles. */
  tampForce: { targetN: number; toleranceN: number } | null
}

/**
 * Grams in the cup per gram of dry coffee; 2 is what a barista calls "1:2". Both masses must be above 0.
 * @example brewRatio(18, 36) // => 2
 */
export function brewRatio(doseG: number, yieldG: number): number {
  return yieldG / doseG
}
