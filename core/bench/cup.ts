import { cupSolidsG } from './bed.ts'
import { type Path, freshGas } from './paths.ts'
import type { Bench, BenchCup } from './types.ts'

/** Extraction in % at which sour gives way, and at which bitter takes over; how gently, in %. */
const SOUR_UNTIL = 18.4
const BITTER_FROM = 23.8
const GENTLENESS = 1.4
const SWEETEST = 20.6
const SWEET_WIDTH = 3
const DRY_FROM = 24
/** By so much extraction in % a coffee that gives early is ahead of a usual one. */
const EARLY_PERCENT = 1.9

/** A strong note in a part of the cup is noticed beyond that part's share. */
const NOTICE = 3
/** Degrees that water is hotter than this draw harsh notes whatever the extraction; a roast is bitter from medium on. */
const HARSH_FROM_C = 95
const MEDIUM_ROAST = 0.5
/** Strength in % at which a cup has half the body it can have. */
const HALF_BODY_TDS = 7

const logistic = (x: number) => 1 / (1 + Math.exp(-x))
const onScale = (value: number) => Math.min(10, Math.max(0, value))
const share = (value: number) => Math.min(1, Math.max(0, value))

/**
 * A cup from how far each path was extracted, weighted by the water it carried (as a power mean): a channelled cup
 * tastes of both its halves, not of its average. What is not a matter of flow (dirt, age, roast, water) is added on top.
 */
export function cupOf(paths: readonly Path[], bench: Bench, tdsPercent: number): BenchCup {
  const water = paths.reduce((sum, { throughG }) => sum + throughG, 0)
  const over = (axis: (percent: number) => number) =>
    water === 0
      ? 0
      : paths.reduce(
          (sum, path) => sum + (path.throughG / water) * axis(extractionPercent(path)) ** NOTICE,
          0,
        ) **
        (1 / NOTICE)
  const { staleness, roast } = bench.coffee
  const early = EARLY_PERCENT * bench.coffee.pace
  const tooHot = share((bench.waterC - HARSH_FROM_C) / 4)
  const dark = share((roast - MEDIUM_ROAST) / (1 - MEDIUM_ROAST))
  const gassy = freshGas(bench)
  const { dirt, poorWater } = bench
  if (water === 0) return EMPTY_CUP
  return {
    sour: onScale(
      over((percent) => 1 + 8.5 * logistic((SOUR_UNTIL - early - percent) / GENTLENESS)) +
        2 * gassy -
        1.2 * staleness -
        dark,
    ),
    bitter: onScale(
      over((percent) => 1 + 8.5 * logistic((percent + early - BITTER_FROM) / GENTLENESS)) +
        3.2 * dirt +
        2.6 * tooHot +
        3.6 * dark +
        1.4 * poorWater +
        0.8 * staleness,
    ),
    sweet: onScale(
      over((percent) => 1 + 7 * Math.exp(-(((percent + early - SWEETEST) / SWEET_WIDTH) ** 2))) *
        (1 - 0.45 * dirt) *
        (1 - 0.6 * staleness) *
        (1 - 0.55 * poorWater) *
        (1 - 0.4 * dark) *
        (1 - 0.3 * gassy),
    ),
    body: onScale(
      (10 * tdsPercent ** 2) / (tdsPercent ** 2 + HALF_BODY_TDS ** 2) - 2.5 * staleness - poorWater,
    ),
    dryness: onScale(
      over((percent) => 1 + 7 * logistic((percent + early - DRY_FROM) / GENTLENESS)) +
        2 * tooHot +
        1.5 * dark +
        2 * poorWater,
    ),
    rancid: dirt,
    ashy: dark,
    papery: 0.9 * staleness,
    flat: share(0.8 * staleness + 0.9 * poorWater),
    crema: share(0.5 + 0.5 * gassy - 0.45 * staleness - 0.25 * share((9 - tdsPercent) / 4)),
  }
}

const EMPTY_CUP: BenchCup = {
  sour: 0,
  sweet: 0,
  bitter: 0,
  body: 0,
  dryness: 0,
  rancid: 0,
  ashy: 0,
  papery: 0,
  flat: 0,
  crema: 0,
}

function extractionPercent({ bed }: Path): number {
  return (cupSolidsG(bed) / bed.doseG) * 100
}
