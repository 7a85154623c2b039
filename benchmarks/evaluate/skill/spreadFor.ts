/** Spread, in tolerances, at which this share of unbiased normal shots is on. */
export function spreadFor(shareOn: number): number {
  let [low, high] = [0.1, 20]
  for (let halving = 0; halving < 50; halving += 1) {
    const middle = (low + high) / 2
    if (shareWithin(0, middle) > shareOn) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/** P(|N(bias, spread)| ≤ 1), summed numerically so that it owes nothing to the core. */
export function shareWithin(bias: number, spread: number): number {
  let sum = 0
  const steps = 400
  for (let step = 0; step < steps; step += 1) {
    const z = (-1 + (2 * (step + 0.5)) / steps - bias) / spread
    sum += ((2 / steps) * Math.exp(-0.5 * z * z)) / (spread * Math.sqrt(2 * Math.PI))
  }
  return sum
}
