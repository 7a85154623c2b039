/// <reference path="./jstat.d.ts" />
import jStat from 'jstat'

/**
 * The value below which a Beta(alpha, beta) variable falls with this probability.
 * @param probability 0–1
 * @example betaQuantile(0.5, 1, 1) // => 0.5
 */
export function betaQuantile(probability: number, alpha: number, beta: number): number {
  return jStat.beta.inv(probability, alpha, beta)
}
