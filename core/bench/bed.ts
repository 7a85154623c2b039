/** What dissolves, in the order in which it comes: acids, sugars, bitters. */
const SOLUBLES = [
  /** Shares of the dry dose, together 0.3 (usual extraction yields are 0.18–0.22); rates out of fines per s at 93 °C. */
  { share: 0.08, ratePerS: 0.56 },
  { share: 0.12, ratePerS: 0.235 },
  { share: 0.1, ratePerS: 0.093 },
] as const
/** The slow boulders are this much behind the fines. */
const BOULDER_SLOWER = 5
/** Liquid this full of solids takes no more, in g per g. */
const SATURATION = 0.26
/** Water that the bed holds, in g per g of dose. */
export const HELD_WATER_PER_DOSE = 1.05

/**
 * A bed from top to bottom, or the part of one that a path of water runs through: grams of each soluble in each cell,
 * as flat arrays because a shot takes some hundred thousand steps through them.
 */
export interface Bed {
  doseG: number
  cells: number
  wetCells: number
  /** Three solubles a cell: cell × 3 + soluble. */
  fines: Float64Array
  boulders: Float64Array
  liquid: Float64Array
  cup: Float64Array
}

/** A dry bed of so many cells; `finesShare` of its solids sit in fines. */
export function dryBed(doseG: number, cells: number, finesShare: number): Bed {
  const filled = (share: number) =>
    Float64Array.from(
      { length: cells * SOLUBLES.length },
      (_, index) => (doseG / cells) * share * shareOf(index),
    )
  return {
    doseG,
    cells,
    wetCells: 0,
    fines: filled(finesShare),
    boulders: filled(1 - finesShare),
    liquid: new Float64Array(cells * SOLUBLES.length),
    cup: new Float64Array(SOLUBLES.length),
  }
}

function shareOf(index: number): number {
  return SOLUBLES[index % SOLUBLES.length]?.share ?? 0
}

/** Wets the bed down to this share of its depth. */
export function wetTo(bed: Bed, share: number): void {
  bed.wetCells = Math.max(bed.wetCells, Math.min(bed.cells, Math.floor(share * bed.cells)))
}

/**
 * Dissolves for `dtS`, then lets `intoG` of water from above push what is dissolved down, through the cells that are wet
 * and, once all are, `outG` of it into the cup. Whatever leaves one place arrives in the next, so mass is conserved to
 * rounding; the front carries solids along, which is why the first drops are the strongest.
 * @param rateFactor 1 at 93 °C and the reference grind
 */
export function extractStep(
  bed: Bed,
  dtS: number,
  { intoG, outG }: { intoG: number; outG: number },
  rateFactor: number,
): void {
  const heldG = (bed.doseG / bed.cells) * HELD_WATER_PER_DOSE
  for (let cell = 0; cell < bed.wetCells; cell += 1) dissolve(bed, cell, heldG, dtS, rateFactor)
  if (intoG > 0) carryDown(bed, intoG / heldG, outG / heldG)
}

function at(values: Float64Array, index: number): number {
  return values[index] ?? 0
}

function dissolve(
  { fines, boulders, liquid }: Bed,
  cell: number,
  heldG: number,
  dtS: number,
  rateFactor: number,
): void {
  const base = cell * SOLUBLES.length
  const dissolved = at(liquid, base) + at(liquid, base + 1) + at(liquid, base + 2)
  const room = Math.max(0, 1 - dissolved / heldG / SATURATION)
  for (let soluble = 0; soluble < SOLUBLES.length; soluble += 1) {
    const index = base + soluble
    const step = (SOLUBLES[soluble]?.ratePerS ?? 0) * rateFactor * room * dtS
    // Backward Euler: however long the step, it can't take more than is there.
    const fromFines = (at(fines, index) * step) / (1 + step)
    const fromBoulders = (at(boulders, index) * step) / (BOULDER_SLOWER + step)
    fines[index] = at(fines, index) - fromFines
    boulders[index] = at(boulders, index) - fromBoulders
    liquid[index] = at(liquid, index) + fromFines + fromBoulders
  }
}

/** How many times its held water each cell is run through: those above by what comes in, the last by what goes out. */
function carryDown({ wetCells, liquid, cup }: Bed, fillings: number, fillingsOut: number): void {
  // Mixing within the cell: what stays after n fillings is 1 ÷ (1 + n), again backward Euler.
  const leaving = fillings / (1 + fillings)
  const leavingLast = fillingsOut / (1 + fillingsOut)
  const last = wetCells - 1
  for (let soluble = 0; soluble < SOLUBLES.length; soluble += 1) {
    let carried = 0
    for (let cell = 0; cell < wetCells; cell += 1) {
      const index = cell * SOLUBLES.length + soluble
      const present = at(liquid, index) + carried
      carried = present * (cell === last ? leavingLast : leaving)
      liquid[index] = present - carried
    }
    cup[soluble] = at(cup, soluble) + carried
  }
}

/** Grams of solids in the cup so far. */
export function cupSolidsG({ cup }: Bed): number {
  return sum(cup)
}

/** Grams of solids anywhere: undissolved, dissolved in the bed, in the cup. */
export function allSolidsG({ fines, boulders, liquid, cup }: Bed): number {
  return sum(fines) + sum(boulders) + sum(liquid) + sum(cup)
}

function sum(values: Float64Array): number {
  return values.reduce((total, value) => total + value, 0)
}
