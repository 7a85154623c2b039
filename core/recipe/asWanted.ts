import type { ShotWanted } from '../shot/facts.ts'
import type { Recipe } from './recipe.ts'

/**
 * A recipe with the dose, yield and taste that a shot was meant to have: what dialling in found is what the shot is held
 * against. The window stays, for it is what was being reached for.
 */
export function asWanted<R extends Recipe>(recipe: R, wanted: ShotWanted | null | undefined): R {
  if (wanted == null || isAsTheRecipe(wanted)) return recipe
  const yieldG = wanted.yieldG ?? recipe.yieldG
  const doseG = wanted.doseG ?? recipe.doseG
  const its = {
    ...recipe,
    doseG,
    ...(recipe.doseCount != null && { doseCount: (recipe.doseCount * doseG) / recipe.doseG }),
    yieldG,
    ...(wanted.taste && { taste: wanted.taste }),
  }
  const volume = recipe.school?.volume ?? null
  if (recipe.school === undefined || volume === null) return its
  const targetMl = (volume.targetMl * yieldG) / recipe.yieldG
  return { ...its, school: { ...recipe.school, volume: { ...volume, targetMl } } }
}

function isAsTheRecipe({ doseG, yieldG, taste }: ShotWanted): boolean {
  return doseG === null && yieldG === null && taste === undefined
}
