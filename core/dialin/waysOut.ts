import type { Decision } from './decision.ts'
import type { Situation } from './situation.ts'
import { type WayOut, isDialInOver } from './types.ts'

/** A new coffee usually costs three to five shots; from the fifth on the other ways are told. */
const TOLD_FROM_SHOT = 5

/** The ways out that are left beside moving the grinder on, in the order in which they are tried. */
export function waysOut({ session, wish, grinder }: Situation, { step }: Decision): WayOut[] {
  if (isDialInOver(step) || session.length < TOLD_FROM_SHOT - 1) return []
  return [
    ...(step === 'nudge-yield' ? [] : (['yield'] as const)),
    ...(step === 'nudge-dose' || wish.doseRangeG === null ? [] : (['dose'] as const)),
    ...(grinder.innerBurr === null ? [] : (['inner-burr'] as const)),
    'taste' as const,
  ]
}
