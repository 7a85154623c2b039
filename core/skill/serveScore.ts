import type { Readings } from '../reading/types.ts'
import type { Served } from '../shot/seen.ts'

/**
 * Whether a shot should have been served: a choke or a gush never; one whose dose, cup and time are all on, evenly run, always.
 * Null where either could be right, or too little is known.
 */
export function shouldServe({
  flow,
  dose,
  yield: cup,
  time,
  unevenSigns,
  of: { facts },
}: Readings): Served | null {
  const isSpoilt = facts.abandoned !== null || flow.state === 'choking' || flow.state === 'gushing'
  if (isSpoilt) return 'pull-again'
  const isOn = [dose, cup, time].every((reading) => reading.judged && reading.standing === 'on')
  return isOn && unevenSigns.length === 0 ? 'serve' : null
}

/** Whether "serve it, or pull again?" was answered rightly; null where it is not scored. */
export function serveScore(readings: Readings): boolean | null {
  const said = readings.of.facts.noted?.served ?? null
  const truth = shouldServe(readings)
  return said === null || truth === null ? null : said === truth
}
