import { roundG } from './weighing.ts'
import { median, robustSd } from '../statistics/robust.ts'

/** What a machine's programme usually gives, in g, and how that is spread, as sd. */
export interface UsualYield {
  g: number
  sdG: number
}

/** From so many cups on a programme is known. */
const KNOWN_FROM = 3
/** A machine's counter meters water: cups differ by at least so much of what they hold. */
const LEAST_SD_SHARE = 0.03

/** What a programme gives, from the cups that were weighed of it; null where too few were. */
export function usualYield(cupsG: readonly number[]): UsualYield | null {
  if (cupsG.length < KNOWN_FROM) return null
  const g = median(cupsG)
  return { g: roundG(g), sdG: roundG(Math.max(robustSd(cupsG), LEAST_SD_SHARE * g)) }
}

/** Between these a cup is what its programme gives; beyond, another button was pressed, or one set for another basket. */
const PROGRAMME_SHARE = { short: 0.7, long: 1.4 } as const

/** Whether a cup is so far from what it should hold that another programme made it; null where it is not. */
export function programmeOff(cupG: number, wantedG: number): 'short' | 'long' | null {
  const share = cupG / wantedG
  if (share <= PROGRAMME_SHARE.short) return 'short'
  return share >= PROGRAMME_SHARE.long ? 'long' : null
}
