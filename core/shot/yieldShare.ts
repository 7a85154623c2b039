import type { Recipe } from '../recipe/recipe.ts'
import type { ShotFacts } from './facts.ts'
import { netG } from './weighing.ts'

/** What came into the cup as a share of the recipe's yield, and how sure that is, as sd of its ln. */
export interface YieldShare {
  share: number
  lnSd: number
}

const SCALE_SD_G = 0.3

/** By mass where the cup was weighed, else by volume where the recipe is of that school; null where neither was noted. */
export function yieldShare(facts: ShotFacts, recipe: Recipe): YieldShare | null {
  const cupG = netG(facts.cup)
  if (cupG !== null) return { share: cupG / recipe.yieldG, lnSd: SCALE_SD_G / recipe.yieldG }
  const volume = recipe.school?.volume ?? null
  const cupMl = facts.measured?.cupMl ?? null
  if (volume === null || cupMl === null) return null
  return { share: cupMl / volume.targetMl, lnSd: volume.gPerMlSd / volume.gPerMl }
}
