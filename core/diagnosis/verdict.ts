import type { FlowState, Readings } from '../reading/types.ts'
import { tasteLeaning } from './taste.ts'
import type { Verdict } from './types.ts'

const BY_FLOW: Record<FlowState, Verdict> = {
  choking: 'over',
  slow: 'over',
  on: 'unclear',
  fast: 'under',
  gushing: 'under',
  unknown: 'unclear',
}

/** Channelling first, because the rest of the cup is then an average of two; then the taste; the flow only where nobody tasted. */
export function verdictOf(readings: Readings): Verdict {
  if (readings.unevenSigns.length > 0) return 'uneven'
  const leaning = tasteLeaning(readings)
  if (leaning === null) return BY_FLOW[readings.flow.state]
  return leaning === 'flat' ? 'unclear' : leaning
}
