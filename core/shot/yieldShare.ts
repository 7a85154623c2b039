import type { Recipe } from '../recipe/recipe.ts'
import type { ShotFacts } from './facts.ts'
import { netG } from './weighing.ts'

/** By what a yield is known: weighed, read by its volume, held against the glass's line, or as the programme usually gives. */
export type YieldBy = 'weight' | 'volume' | 'line' | 'usual'

/** What came into the cup as a share of the recipe's yield, and how sure that is, as sd of its ln. */
export interface YieldShare {
  share: number
  lnSd: number
  by: YieldBy
}

const SCALE_SD_G = 0.3
/** A line is hit within so much of what is in the glass; seen off it, a cup is off by about twice as much. */
const LINE_SHARE = 0.08

/**
 * By mass where the cup was weighed, else by volume where the recipe is of that school, else by the line on its glass, else
 * as its programme usually gives; null where nothing of that is known.
 */
export function yieldShare(facts: ShotFacts, recipe: Recipe): YieldShare | null {
  return yieldSeen(facts, recipe) ?? asUsual(facts, recipe)
}

/** What was seen of this very cup; what others usually were says nothing of how it was stopped. */
export function yieldSeen(facts: ShotFacts, recipe: Recipe): YieldShare | null {
  return weighed(facts, recipe) ?? byVolume(facts, recipe) ?? byLine(facts)
}

function weighed(facts: ShotFacts, { yieldG }: Recipe): YieldShare | null {
  const cupG = netG(facts.cup)
  return cupG === null ? null : { share: cupG / yieldG, lnSd: SCALE_SD_G / yieldG, by: 'weight' }
}

function byVolume({ measured }: ShotFacts, recipe: Recipe): YieldShare | null {
  const volume = recipe.school?.volume ?? null
  const cupMl = measured?.cupMl ?? null
  if (volume === null || cupMl === null) return null
  return { share: cupMl / volume.targetMl, lnSd: volume.gPerMlSd / volume.gPerMl, by: 'volume' }
}

function byLine({ noted }: ShotFacts): YieldShare | null {
  const at = noted?.cupLine ?? null
  if (at === null) return null
  const off = { below: -2, at: 0, above: 2 }[at]
  return { share: 1 + off * LINE_SHARE, lnSd: LINE_SHARE, by: 'line' }
}

function asUsual({ noted, abandoned }: ShotFacts, { yieldG }: Recipe): YieldShare | null {
  const usualG = noted?.usualCupG ?? null
  if (usualG === null || usualG <= 0 || abandoned !== null) return null
  return { share: usualG / yieldG, lnSd: (noted?.usualCupSdG ?? 0) / usualG, by: 'usual' }
}
