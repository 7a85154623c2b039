import type { StandingCounts } from './tally.ts'
import type { SkillProgramme } from './types.ts'

/**
 * Probability that one reading passes an assessment set today: on in at least `setOnShots` of `setShots` shots and
 * off in none, the rest near. Predicted from weighted counts under a Dirichlet(1, ½, ½) prior, whose P(on) is the
 * Beta(1, 1) used elsewhere (Dirichlet-multinomial; N. L. Johnson et al., "Discrete Multivariate Distributions", §35.13).
 */
export function passProbability(counts: StandingCounts, { setShots, setOnShots }: SkillProgramme): number {
  const on = 1 + counts.on
  const near = 0.5 + counts.near
  const total = 2 + counts.on + counts.near + counts.off
  let probability = 0
  for (let nearShots = 0; nearShots <= setShots - setOnShots; nearShots += 1) {
    const onShots = setShots - nearShots
    probability +=
      (choose(setShots, nearShots) * rising(on, onShots) * rising(near, nearShots)) / rising(total, setShots)
  }
  return probability
}

/** Readings stand or fall by themselves, so the whole set passes when each does. */
export function passSetProbability(readings: readonly StandingCounts[], programme: SkillProgramme): number {
  return readings.reduce((product, counts) => product * passProbability(counts, programme), 1)
}

/** x (x + 1) … (x + n − 1) */
function rising(x: number, n: number): number {
  let product = 1
  for (let step = 0; step < n; step += 1) product *= x + step
  return product
}

function choose(n: number, k: number): number {
  return rising(n - k + 1, k) / rising(1, k)
}
