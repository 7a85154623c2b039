import { type Recipe, type ShotFacts, doseEstimate } from '@calm-apron/core'

const USUAL_DOUBLE_G = 18

/** How much dry coffee a cup that was tasted was made of, for its caffeine: as far as is known, else as is usual. */
export function doseTastedG(facts: ShotFacts | null, recipe: Recipe | null): number {
  const known = facts === null || recipe === null ? null : doseEstimate(facts, recipe)
  return known?.g ?? recipe?.doseG ?? USUAL_DOUBLE_G
}
