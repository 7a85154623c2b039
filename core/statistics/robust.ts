/** The middle value; of an even number the mean of the two middle ones. NaN for none. */
export function median(values: readonly number[]): number {
  if (values.length === 0) return Number.NaN
  const sorted = [...values].sort((a, b) => a - b)
  const middle = Math.floor(sorted.length / 2)
  const upper = sorted[middle] ?? Number.NaN
  return sorted.length % 2 === 1 ? upper : (upper + (sorted[middle - 1] ?? Number.NaN)) / 2
}

/** For normal values the median absolute deviation is this many times smaller than their sd. */
const MAD_TO_SD = 1.4826

/**
 * A standard deviation that single botched values don't move: 1.4826 × the median absolute deviation
 * (F. R. Hampel, "The influence curve and its role in robust estimation", JASA 69, 1974). NaN for none.
 */
export function robustSd(values: readonly number[]): number {
  const centre = median(values)
  return MAD_TO_SD * median(values.map((value) => Math.abs(value - centre)))
}

/** The value below which half of the weight lies. NaN for none. */
function weightedMedian(values: readonly number[], weights: readonly number[]): number {
  const sorted = values
    .map((value, at) => ({ value, weight: weights[at] ?? 0 }))
    .sort((a, b) => a.value - b.value)
  const half = sorted.reduce((sum, { weight }) => sum + weight, 0) / 2
  let below = 0
  for (const { value, weight } of sorted) {
    below += weight
    if (below >= half) return value
  }
  return Number.NaN
}

/** A botched value counts no more than one this many robust standard deviations from the middle. */
const FURTHEST_SD = 3

/**
 * The mean, each value by its weight, botched ones drawn in to three robust standard deviations from the median
 * (winsorised; J. W. Tukey, "The future of data analysis", 1962). NaN for none.
 */
export function weightedMean(values: readonly number[], weights: readonly number[]): number {
  const [centre, reach] = [median(values), FURTHEST_SD * robustSd(values)]
  const drawnIn = values.map((value) => Math.min(centre + reach, Math.max(centre - reach, value)))
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  return drawnIn.reduce((sum, value, at) => sum + value * (weights[at] ?? 0), 0) / total
}

/** The robust standard deviation about a centre, each value by its weight. NaN for none. */
export function weightedRobustSd(
  values: readonly number[],
  weights: readonly number[],
  centre: number,
): number {
  const apart = values.map((value) => Math.abs(value - centre))
  return MAD_TO_SD * weightedMedian(apart, weights)
}
