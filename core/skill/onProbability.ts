import { betaQuantile } from '../statistics/betaQuantile.ts'
import type { Standing } from '../reading/types.ts'
import { type Tally, countsOf, effectiveShots, tallyOf } from './tally.ts'

/** How likely the next shot's reading is *on*: the mean of its posterior and its 90 % interval. */
export interface OnProbability {
  mean: number
  low: number
  high: number
  effectiveShots: number
}

/**
 * Beta posterior of P(on) from a uniform prior, older shots forgotten exponentially
 * (A. Gelman et al., "Bayesian Data Analysis", 3rd ed., §2.4, with weighted counts).
 * @param standings oldest first
 */
export function onProbability(standings: readonly Standing[], halvingShots: number): OnProbability {
  return onProbabilityOf(tallyOf(standings, halvingShots))
}

/** The same of a run that was tallied. */
export function onProbabilityOf(tally: Tally): OnProbability {
  const [alpha, beta] = shapeOf(tally)
  return {
    mean: alpha / (alpha + beta),
    low: betaQuantile(0.05, alpha, beta),
    high: betaQuantile(0.95, alpha, beta),
    effectiveShots: effectiveShots(tally),
  }
}

/** The lower end of its 90 % interval alone, by which rungs go. */
export function onAtLeast(tally: Tally): number {
  return betaQuantile(0.05, ...shapeOf(tally))
}

/** Of the Beta that is believed of P(on). */
export function shapeOf(tally: Tally): [alpha: number, beta: number] {
  const { on, near, off } = countsOf(tally)
  return [1 + on, 1 + near + off]
}
