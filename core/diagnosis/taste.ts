import type { Readings } from '../reading/types.ts'
import type { TasteLeaning } from './types.ts'

/** What the cup alone says, or null when it wasn't tasted. */
export function tasteLeaning({ taste }: Readings): TasteLeaning | null {
  if (!taste.judged) return null
  if (taste.bothStrong) return 'uneven'
  if (taste.value < -taste.tolerance) return 'under'
  if (taste.value > taste.tolerance || taste.drying) return 'over'
  return taste.sweetEnough === false ? 'flat' : 'balanced'
}
