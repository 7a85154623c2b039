import { ranFast } from '../reading/flow.ts'
import type { Readings } from '../reading/types.ts'
import type { TasteLeaning } from './types.ts'

/** What the cup alone says, whoever tasted it, or null when nobody did. */
export function leaningNoted({ taste, flow }: Readings): TasteLeaning | null {
  if (!taste.judged) return null
  if (taste.bothStrong) return 'uneven'
  // Bright is no fault; but of a fast shot it is no praise either.
  if (taste.isBright) return ranFast(flow) ? null : 'balanced'
  if (taste.deviation < -taste.tolerance) return 'under'
  if (taste.deviation > taste.tolerance || taste.drying) return 'over'
  return taste.sweetEnough === false ? 'flat' : 'balanced'
}

/** What the cup says to a tongue that can be trusted; null where none tasted it. */
export function tasteLeaning(readings: Readings): TasteLeaning | null {
  return readings.of.context.tongue === 'trusted' ? leaningNoted(readings) : null
}
