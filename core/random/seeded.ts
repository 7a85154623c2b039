import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { mersenne } from 'pure-rand/generator/mersenne'

/** Chance from a seed: the same seed gives the same run of numbers on every machine. */
export interface Seeded {
  /** 0 up to but not 1, evenly. */
  uniform(): number
  between(min: number, max: number): number
  /** Normal with this mean and spread (G. E. P. Box & M. E. Muller, Ann. Math. Stat. 29, 1958). */
  normal(mean: number, sd: number): number
  /** True with this chance. */
  chance(probability: number): boolean
  /** One of several, evenly. */
  pick<T>(choices: readonly [T, ...T[]]): T
}

/** @param seed any integer */
export function seeded(seed: number): Seeded {
  const generator = mersenne(seed)
  const uniform = () => uniformFloat64(generator)
  const between = (min: number, max: number) => min + (max - min) * uniform()
  return {
    uniform,
    between,
    // 1 − u, because the logarithm of 0 is not a number and uniform() may be 0.
    normal: (mean, sd) =>
      mean + sd * Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform()),
    chance: (probability) => uniform() < probability,
    pick: (choices) => choices[Math.floor(uniform() * choices.length)] ?? choices[0],
  }
}
