import type { Recipe } from '@calm-apron/core'

/** What everything is evaluated by: 18 g in, 36 g out, 25–31 s from the pump’s start. */
export const RECIPE: Recipe = {
  doseG: 18,
  doseToleranceG: 0.3,
  yieldG: 36,
  yieldToleranceG: 2,
  clock: 'pump',
  timeMinS: 25,
  timeMaxS: 31,
  firstDropMinS: 4.5,
  firstDropMaxS: 9,
  tasteTolerance: 2,
  sweetMin: 5,
}
