import { handsSeen, isSaidOfHands } from './ofHands.ts'
import type { FlowState, Readings, UnevenSign } from '../reading/types.ts'
import { tasteLeaning } from './taste.ts'
import type { FlowHeading, Heading, Verdict } from './types.ts'

const OF_FLOW: Record<Exclude<FlowState, 'unknown'>, FlowHeading> = {
  choking: 'choked',
  slow: 'slow',
  on: 'on-time',
  fast: 'fast',
  gushing: 'gushed',
}

/**
 * What a shot is headed by. A choke and a gush that were given up are that; an uneven look outweighs the tongue, because
 * channelling may taste sour, bitter or both; then a trusted tongue; then the flow. Under- and over-extracted are said
 * only of what was tasted.
 */
export function headingOf(readings: Readings): Heading {
  const { facts } = readings.of
  const ofFlow = flowHeadingOf(readings)
  if (facts.abandoned !== null && (ofFlow === 'choked' || ofFlow === 'gushed')) return ofFlow
  if (isSaidOfHands(readings)) return ofHands(readings)
  const verdict = verdictOf(readings)
  if (verdict !== 'unclear' && !(verdict === 'uneven' && ofFlow === 'choked')) return verdict
  return ofFlow ?? 'unclear'
}

/** How a shot flowed, as a word; null where nobody knows. */
export function flowHeadingOf({ flow }: Pick<Readings, 'flow'>): FlowHeading | null {
  return flow.state === 'unknown' ? null : OF_FLOW[flow.state]
}

function ofHands(readings: Readings): Heading {
  const { faults, look } = handsSeen(readings)
  if (faults.length > 0) return 'mend-preparing'
  return look === null ? 'well-prepared' : 'unclear'
}

/** What the cup was, by a trusted tongue or by its look; "unclear" where neither says. */
export function verdictOf(readings: Readings): Verdict {
  const leaning = tasteLeaning(readings)
  if (looksUneven(readings.unevenSigns) && !isGoodButForOneSign(readings)) return 'uneven'
  return leaning === null || leaning === 'flat' ? 'unclear' : leaning
}

/** A cup this much sweeter than it has to be shows that water took no short cut. */
const CLEARLY_SWEET = 1

/** One spurt, or one hole, in a cup that is on time, carefully made and clearly sweet to a trusted tongue is let pass. */
export function isGoodButForOneSign(readings: Readings): boolean {
  const {
    unevenSigns,
    flow,
    gate,
    of: { facts, recipe },
  } = readings
  return (
    unevenSigns.length === 1 &&
    flow.state === 'on' &&
    gate.faults.length === 0 &&
    tasteLeaning(readings) === 'balanced' &&
    (facts.taste.sweet ?? 0) >= recipe.sweetMin + CLEARLY_SWEET
  )
}

/** Whether anything was seen of channelling, beside the taste. */
export function looksUneven(signs: readonly UnevenSign[]): boolean {
  return signs.some((sign) => sign !== 'sour-and-bitter')
}
