import type { Standing } from '../reading/types.ts'

/** Weighted counts of how a reading stood. */
export interface StandingCounts {
  on: number
  near: number
  off: number
}

/** Sums over a run, 1 for the newest and halved every so many shots before it; `squares` of the weights. */
export interface Tally {
  weights: StandingCounts
  squares: number
}

/** @param standings oldest first */
export function tallyOf(standings: readonly Standing[], halvingShots: number): Tally {
  const kept = keptPerShot(halvingShots)
  const weights: StandingCounts = { on: 0, near: 0, off: 0 }
  let [weight, squares] = [1, 0]
  for (const standing of standings.toReversed()) {
    weights[standing] += weight
    squares += weight * weight
    weight *= kept
  }
  return { weights, squares }
}

/** The run with one more shot after it. */
export function withNext({ weights, squares }: Tally, standing: Standing, halvingShots: number): Tally {
  const kept = keptPerShot(halvingShots)
  const next = { on: kept * weights.on, near: kept * weights.near, off: kept * weights.off }
  next[standing] += 1
  return { weights: next, squares: kept ** 2 * squares + 1 }
}

/** The run with so many more shots after it, all of them on; a geometric sum, so that none of them need be gone through. */
export function withMoreOn({ weights, squares }: Tally, more: number, halvingShots: number): Tally {
  const kept = keptPerShot(halvingShots)
  const left = kept ** more
  return {
    weights: {
      on: left * weights.on + geometricSum(kept, more),
      near: left * weights.near,
      off: left * weights.off,
    },
    squares: left ** 2 * squares + geometricSum(kept ** 2, more),
  }
}

/** 1 + ratio + … of so many terms. */
function geometricSum(ratio: number, terms: number): number {
  return ratio === 1 ? terms : (1 - ratio ** terms) / (1 - ratio)
}

/** How many equally weighted shots the run is worth: (Σw)² ÷ Σw² (L. Kish, "Survey Sampling", 1965). 0 for none. */
export function effectiveShots({ weights, squares }: Tally): number {
  return squares === 0 ? 0 : total(weights) ** 2 / squares
}

/**
 * Counts that together are worth as many shots as the run is. Without that step intervals would be too wide for trainees who
 * keep steady.
 */
export function countsOf(tally: Tally): StandingCounts {
  const sum = total(tally.weights)
  const scale = sum === 0 ? 1 : effectiveShots(tally) / sum
  const { on, near, off } = tally.weights
  return { on: scale * on, near: scale * near, off: scale * off }
}

function total({ on, near, off }: StandingCounts): number {
  return on + near + off
}

/** What a shot later is left of a weight. */
function keptPerShot(halvingShots: number): number {
  return 2 ** (-1 / halvingShots)
}
