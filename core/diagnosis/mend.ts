import type { GrindDirection } from '../equipment/grinder.ts'
import type { ShotContext } from '../reading/context.ts'
import { ranFast, ranSlow } from '../reading/flow.ts'
import type { DoseMeasured, GateFault, Readings } from '../reading/types.ts'
import type { Recipe } from '../recipe/recipe.ts'
import { type DoseTrim, seenTrim } from '../shot/doseSeen.ts'
import { type Cause, FAULTS, type Fault } from './causes.ts'
import { type GrindContext, isAtFinest } from './grindMove.ts'
import { whenToLook } from './nextLook.ts'
import type { Move, Reason } from './types.ts'

const CAUSE_OF: Record<GateFault, Fault> = {
  'machine-cold': 'cold',
  'basket-wet': 'basket-wet',
  'basket-dirty': 'dirty',
  'wrong-basket': 'wrong-basket',
  'grinder-not-purged': 'not-purged',
  'dose-low': 'dose-low',
  'dose-high': 'dose-high',
  'dose-topped-up': 'poor-distribution',
  'bed-uneven': 'poor-distribution',
  'tamp-tilted': 'tamp-tilted',
  'tamp-slightly-tilted': 'tamp-tilted',
  'tamp-unsettled': 'tamp-light',
}

/** The cause a gate fault stands for. */
export function causeOfFault(fault: GateFault): Fault {
  return CAUSE_OF[fault]
}

/** A move, and the rule that made it another one than its cause would want. */
export interface Mend {
  move: Move
  why: Reason[]
}

/** The move that mends a cause in this shot; the grind moves only the way that the flow shows. */
export function mendOf(cause: Cause, readings: Readings, grind: GrindContext): Mend {
  const plain = (move: Move): Mend => ({ move, why: [] })
  switch (cause) {
    case 'none':
      return plain({ lever: 'leave' })
    case 'grind-too-coarse':
    case 'grind-too-fine':
      return grindMend(cause, readings, grind)
    case 'dose-low':
    case 'dose-high':
      return plain(doseMend(cause, readings))
    case 'stopped-early':
      return plain(stopMove('later', readings))
    case 'stopped-late':
      return plain(stopMove('sooner', readings))
    case 'ratio-short':
      return plain({ lever: 'ratio', direction: 'longer' })
    case 'ratio-long':
      return plain({ lever: 'ratio', direction: 'shorter' })
    case 'tamp-tilted':
      return plain({ lever: 'tamp', how: 'level' })
    case 'tamp-light':
      return plain({ lever: 'tamp', how: 'settle' })
    case 'tamp-varying':
      return plain({ lever: 'tamp', how: 'alike' })
    default:
      return plain({ lever: LEVER_OF[cause] })
  }
}

/** Causes that one plain act mends. */
const LEVER_OF = {
  'poor-distribution': 'distribution',
  'basket-wet': 'dry',
  dirty: 'clean',
  'not-purged': 'purge',
  cold: 'heat',
  'too-hot': 'cool',
  'temperature-swing': 'cycle',
  'coffee-too-fresh': 'rest',
  'coffee-stale': 'bag',
  'pre-ground': 'fresh-grounds',
  'roast-character': 'coffee',
  'poor-water': 'water',
  'wrong-basket': 'basket',
  'burrs-out-of-range': 'burrs',
} as const satisfies Partial<Record<Fault, Move['lever']>>

/** A dose that nobody measured is weighed before it is changed, where there is anything to weigh it with. */
function doseMend(cause: 'dose-low' | 'dose-high', readings: Readings): Move {
  const isSaid =
    readings.of.context.signs[cause === 'dose-low' ? 'dose-looks-low' : 'dose-looks-high'] === true
  if (!readings.dose.judged && !isSaid && whenToLook('weigh-dose', readings) !== null)
    return { lever: 'observe', observation: 'weigh-dose' }
  return doseMove(cause === 'dose-low' ? 'more' : 'less', readings)
}

/** How many grams only a scale says; what was seen is mended in its own measure. */
function doseMove(direction: 'more' | 'less', { dose, of: { context, recipe } }: Readings): Move {
  const isThatWay = dose.judged && dose.deviation < 0 === (direction === 'more')
  return { lever: 'dose', direction, trim: isThatWay ? trimOf(dose, context, recipe) : null }
}

function trimOf(dose: DoseMeasured, { doseMethod }: ShotContext, recipe: Recipe): DoseTrim | null {
  if (dose.seen !== null) return seenTrim(dose.seen, recipe)
  return doseMethod === 'scale' ? { by: 'mass', g: -dose.deviation } : null
}

function stopMove(direction: 'later' | 'sooner', { yield: cup }: Readings): Move {
  const isThatWay = cup.judged && cup.standing !== 'on' && cup.deviation < 0 === (direction === 'later')
  return isThatWay
    ? { lever: 'stop', direction, by: -cup.deviation, unit: cup.unit }
    : { lever: 'stop', direction, by: null, unit: 'g' }
}

/**
 * Finer only after a fast shot and coarser only after a slow one; where no safe finer setting is left another lever is
 * named.
 */
function grindMend(
  cause: 'grind-too-coarse' | 'grind-too-fine',
  { flow, of: { context } }: Readings,
  grind: GrindContext,
): Mend {
  const isSlow = ranSlow(flow) || (flow.state === 'unknown' && context.signs['drips-only'] === true)
  if (cause === 'grind-too-coarse' && ranFast(flow)) {
    return isAtFinest(grind)
      ? { move: { lever: 'burrs' }, why: [{ code: 'last-safe-step' }] }
      : plainGrind('finer')
  }
  if (cause === 'grind-too-fine' && isSlow) return plainGrind('coarser')
  return { move: { lever: 'observe', observation: 'time-it' }, why: [] }
}

const plainGrind = (direction: GrindDirection): Mend => ({
  move: { lever: 'grind', direction },
  why: [],
})

/** Whether a move changes nothing. */
export function keepsAll({ lever }: Move): boolean {
  return lever === 'leave' || lever === 'again'
}

/** The causes that a move mends; keeping everything is right where nothing is wrong. */
export function causesMendedBy(move: Move): Cause[] {
  switch (move.lever) {
    case 'leave':
    case 'again':
      return ['none']
    case 'observe':
      return []
    case 'grind':
      return [move.direction === 'finer' ? 'grind-too-coarse' : 'grind-too-fine']
    case 'dose':
      return [move.direction === 'more' ? 'dose-low' : 'dose-high']
    case 'stop':
      return [move.direction === 'later' ? 'stopped-early' : 'stopped-late']
    case 'ratio':
      return [move.direction === 'longer' ? 'ratio-short' : 'ratio-long']
    case 'tamp':
      return ['tamp-tilted', 'tamp-light', 'tamp-varying']
    default:
      return FAULTS.filter(
        (fault) => fault in LEVER_OF && LEVER_OF[fault as keyof typeof LEVER_OF] === move.lever,
      )
  }
}
