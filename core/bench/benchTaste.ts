import { cupSolidsG } from './bed.ts'
import type { Path } from './paths.ts'
import type { SimulatedShot } from './types.ts'

/** Extraction in % at which sour gives way, and at which bitter takes over; how gently, in %. */
const SOUR_UNTIL = 17.5
const BITTER_FROM = 22.8
const GENTLENESS = 1.3
const SWEETEST = 20.2
const SWEET_WIDTH = 3

const logistic = (x: number) => 1 / (1 + Math.exp(-x))

/** A strong note in a part of the cup is noticed beyond that part's share. */
const NOTICE = 2

/**
 * Taste 0–10 from how far each path was extracted, weighted by the water it carried (as a power mean): a channelled
 * cup tastes of both its halves, not of its average.
 */
export function benchTaste(paths: readonly Path[]): SimulatedShot['taste'] {
  const water = paths.reduce((sum, { throughG }) => sum + throughG, 0)
  if (water === 0) return { sour: 0, sweet: 0, bitter: 0 }
  const over = (axis: (percent: number) => number) =>
    paths.reduce((sum, path) => sum + (path.throughG / water) * axis(extractionPercent(path)) ** NOTICE, 0) **
    (1 / NOTICE)
  return {
    sour: over((percent) => 1 + 8.5 * logistic((SOUR_UNTIL - percent) / GENTLENESS)),
    bitter: over((percent) => 1 + 8.5 * logistic((percent - BITTER_FROM) / GENTLENESS)),
    sweet: over((percent) => 1 + 7 * Math.exp(-(((percent - SWEETEST) / SWEET_WIDTH) ** 2))),
  }
}

function extractionPercent({ bed }: Path): number {
  return (cupSolidsG(bed) / bed.doseG) * 100
}
