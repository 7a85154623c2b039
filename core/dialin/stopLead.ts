/** What falls after the stop until anything is learnt of a machine, in g. */
const PRIOR_LEAD_G = 1.5
/** A machine changes; older shots than these no longer speak of it. */
const LAST_SHOTS = 10
/** From so many values on the largest and the smallest are left out: a shaken scale must not move the cue. */
const TRIM_FROM = 5

/**
 * How many grams before the target the stop is cued: the trimmed mean of the last ten leads of this machine, with the
 * prior of 1.5 g as one more shot among them.
 * @param leadsG final weight − weight at the stop, oldest first
 */
export function stopLead(leadsG: readonly number[]): number {
  const known = [PRIOR_LEAD_G, ...leadsG.slice(-LAST_SHOTS)].sort((a, b) => a - b)
  const kept = known.length >= TRIM_FROM ? known.slice(1, -1) : known
  return kept.reduce((sum, lead) => sum + lead, 0) / kept.length
}
