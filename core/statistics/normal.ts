/**
 * P(Z ≤ z) of the standard normal distribution, to 1.5e-7 (M. Abramowitz & I. Stegun, 26.2.17 by way of 7.1.26).
 */
export function normalCdf(z: number): number {
  const x = Math.abs(z) / Math.SQRT2
  const t = 1 / (1 + 0.3275911 * x)
  const series =
    t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))))
  const tail = 0.5 * series * Math.exp(-x * x)
  return z > 0 ? 1 - tail : tail
}
