import type { ShotWanted } from '../shot/facts.ts'
import type { Recipe } from './recipe.ts'

/**
 * A recipe with the dose and yield that a shot was meant to have: what dialling in moved them to is what the shot is
 * held against. The window stays, for it is what was being reached for.
 */
export function asWanted<R extends Recipe>(recipe: R, wanted: ShotWanted | null | undefined): R {
  if (wanted == null || (wanted.doseG === null && wanted.yieldG === null)) return recipe
  const yieldG = wanted.yieldG ?? recipe.yieldG
  const its = { ...recipe, doseG: wanted.doseG ?? recipe.doseG, yieldG }
  const volume = recipe.school?.volume ?? null
  if (recipe.school === undefined || volume === null) return its
  const targetMl = (volume.targetMl * yieldG) / recipe.yieldG
  return { ...its, school: { ...recipe.school, volume: { ...volume, targetMl } } }
}
