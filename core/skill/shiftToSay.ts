import { median, robustSd } from '../statistics/robust.ts'

/** A shift is looked for over so many of the newest shots. */
const [FEWEST, MOST] = [5, 20]
/** Before them there must be so many to compare with, and no more than the newest of those are. */
const [BEFORE_FEWEST, BEFORE_MOST] = [20, 60]
/** Nearer to the target than this, in tolerances, nobody is told of it. */
const LEAST_MEAN = 0.5
/** A bar's scales and clocks spread shots at least this much, in tolerances. */
const LEAST_SPREAD = 0.15
/** A median is so much less sure than a mean: π ÷ 2. */
const MEDIAN_VARIANCE = Math.PI / 2
/**
 * Over all skills together chance alone says so in fewer than one of twenty person-months, with this many standard errors
 * (`npm run evaluate skill` prints how often, and how soon a true one is told).
 */
const SURE_FROM = 5

/** The newest shots that lie elsewhere than those before, and where; in tolerances. */
export interface SaidShift {
  shots: number
  mean: number
}

/**
 * A shift away from the target that is sure enough to be told in a sentence: of all spans of the newest shots the one that differs
 * most from where the shots before it lay (a generalised likelihood ratio; M. Basseville and I. Nikiforov, "Detection of Abrupt
 * Changes", 1993, §2.4). Null where there is none, or it went towards the target.
 * @param deviations in tolerances, oldest first
 */
export function shiftToSay(deviations: readonly number[]): SaidShift | null {
  let found: (SaidShift & { sureness: number }) | null = null
  let sum = 0
  for (let shots = 1; shots <= MOST && deviations.length - shots >= BEFORE_FEWEST; shots += 1) {
    const from = deviations.length - shots
    sum += deviations[from] ?? 0
    const mean = sum / shots
    if (shots < FEWEST || Math.abs(mean) < LEAST_MEAN) continue
    const sureness = surenessOf(mean, shots, deviations.slice(Math.max(0, from - BEFORE_MOST), from))
    if (sureness >= SURE_FROM && sureness > (found?.sureness ?? 0)) found = { shots, mean, sureness }
  }
  return found === null ? null : { shots: found.shots, mean: found.mean }
}

/** How many standard errors lie between; 0 where it went towards the target. */
function surenessOf(mean: number, shots: number, before: readonly number[]): number {
  const centre = median(before)
  const isAway = Math.abs(mean) > Math.abs(centre) && Math.sign(mean - centre) === Math.sign(mean)
  if (!isAway) return 0
  const spread = Math.max(robustSd(before), LEAST_SPREAD)
  return Math.abs(mean - centre) / (spread * Math.sqrt(1 / shots + MEDIAN_VARIANCE / before.length))
}
