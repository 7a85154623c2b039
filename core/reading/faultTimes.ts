import { THRESHOLDS } from '../thresholds.ts'
import type { ShotContext } from './context.ts'
import type { DoseReading, GateFault } from './types.ts'

/** What something does to a shot's time, in ln: on average, and how that is spread from case to case. */
export interface TimeShift {
  shift: number
  spread: number
}

/**
 * What faults do to the time, for the gate and for the diagnosis alike. Working values of the trade: uneven beds run
 * 10–30 % faster; old grounds shift it by up to the whole move; cool water is a little thicker.
 */
export const TIME_SHIFTS = {
  cold: { shift: 0.08, spread: 0.05 },
  wet: { shift: -0.11, spread: 0.06 },
  unpurgedAfterFiner: { shift: -0.25, spread: 0.11 },
  unpurgedAfterCoarser: { shift: 0.25, spread: 0.11 },
  bedUneven: { shift: -0.15, spread: 0.09 },
  tilted: { shift: -0.15, spread: 0.09 },
  slightlyTilted: { shift: -0.05, spread: 0.03 },
  unsettled: { shift: -0.18, spread: 0.09 },
} as const satisfies Record<string, TimeShift>

/** The most that a shift is known to be, as |ln|: two spreads beyond its average. */
function most({ shift, spread }: TimeShift): number {
  return Math.abs(shift) + 2 * spread
}

/** A basket or button for another dose may double or halve the time. */
const WRONG_BASKET_LN = Math.log(2)

/**
 * Which way a fault can push the time, and the most it is known to, as |ln|.
 * @param moved the last move of the grind, where that is known
 */
export function faultShift(
  fault: GateFault,
  dose: DoseReading,
  moved: ShotContext['grindMoved'] = null,
): { slower: number; faster: number } {
  const doseLn = dose.judged ? Math.abs(dose.deviation) * THRESHOLDS.doseLnPerG : 0
  const faster = (shift: TimeShift) => ({ slower: 0, faster: most(shift) })
  switch (fault) {
    case 'machine-cold':
      return { slower: most(TIME_SHIFTS.cold), faster: 0 }
    case 'basket-wet':
      return faster(TIME_SHIFTS.wet)
    case 'basket-dirty':
      return { slower: 0, faster: 0 }
    case 'wrong-basket':
      return { slower: WRONG_BASKET_LN, faster: WRONG_BASKET_LN }
    case 'grinder-not-purged':
      return oldGrounds(moved)
    case 'dose-low':
      return { slower: 0, faster: doseLn }
    case 'dose-high':
      return { slower: doseLn, faster: 0 }
    // What is put on a pressed bed lies in a layer of its own.
    case 'dose-topped-up':
    case 'bed-uneven':
      return faster(TIME_SHIFTS.bedUneven)
    case 'tamp-tilted':
      return faster(TIME_SHIFTS.tilted)
    case 'tamp-slightly-tilted':
      return faster(TIME_SHIFTS.slightlyTilted)
    case 'tamp-unsettled':
      return faster(TIME_SHIFTS.unsettled)
  }
}

/** Old grounds pull against the last move, and by no more than all of it; of a move that nobody knows both is open. */
function oldGrounds(moved: ShotContext['grindMoved']): { slower: number; faster: number } {
  const slower = most(TIME_SHIFTS.unpurgedAfterCoarser)
  const faster = most(TIME_SHIFTS.unpurgedAfterFiner)
  if (moved === null) return { slower, faster }
  const wholeMove = moved.steps * THRESHOLDS.grindStepMostLn
  return moved.direction === 'finer'
    ? { slower: 0, faster: Math.min(faster, wholeMove) }
    : { slower: Math.min(slower, wholeMove), faster: 0 }
}
