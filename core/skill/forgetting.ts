/**
 * Weights of a run of shots, oldest first: 1 for the newest, halved every `halvingShots` shots before it.
 * @example forgettingWeights(3, 1) // => [0.25, 0.5, 1]
 */
export function forgettingWeights(count: number, halvingShots: number): number[] {
  return Array.from({ length: count }, (_, index) => 2 ** (-(count - 1 - index) / halvingShots))
}

/**
 * How many equally weighted shots a weighted run is worth: (Σw)² ÷ Σw² (L. Kish, "Survey Sampling", 1965).
 * 0 for none.
 */
export function effectiveSize(weights: readonly number[]): number {
  const sum = weights.reduce((total, weight) => total + weight, 0)
  const squares = weights.reduce((total, weight) => total + weight * weight, 0)
  return squares === 0 ? 0 : sum ** 2 / squares
}
