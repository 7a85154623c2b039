import { betaQuantile } from '../statistics/betaQuantile.ts'
import type { Standing } from '../reading/types.ts'
import { effectiveSize, forgettingWeights } from './forgetting.ts'

/** How likely the next shot's reading is *on*: the mean of its posterior and its 90 % interval. */
export interface OnProbability {
  mean: number
  low: number
  high: number
  effectiveShots: number
}

/** Weighted counts of how a reading stood. */
export interface StandingCounts {
  on: number
  near: number
  off: number
}

/**
 * Counts of standings, oldest first: each worth what forgetting leaves of it, and together worth as many shots as that
 * is worth. Without the second step intervals would be too wide for trainees who keep steady.
 */
export function countStandings(standings: readonly Standing[], halvingShots: number): StandingCounts {
  const weights = forgettingWeights(standings.length, halvingShots)
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  const scale = total === 0 ? 1 : effectiveSize(weights) / total
  const counts: StandingCounts = { on: 0, near: 0, off: 0 }
  standings.forEach((standing, index) => {
    counts[standing] += scale * (weights[index] ?? 0)
  })
  return counts
}

/**
 * Beta posterior of P(on) from a uniform prior, older shots forgotten exponentially
 * (A. Gelman et al., "Bayesian Data Analysis", 3rd ed., §2.4, with weighted counts).
 * @param standings oldest first
 */
export function onProbability(standings: readonly Standing[], halvingShots: number): OnProbability {
  const { on, near, off } = countStandings(standings, halvingShots)
  const [alpha, beta] = [1 + on, 1 + near + off]
  return {
    mean: alpha / (alpha + beta),
    low: betaQuantile(0.05, alpha, beta),
    high: betaQuantile(0.95, alpha, beta),
    effectiveShots: effectiveSize(forgettingWeights(standings.length, halvingShots)),
  }
}
