import { ranFarOut, ranFast, ranSlow } from '../reading/flow.ts'
import { missOutweighsFaults } from '../reading/gate.ts'
import type { GateFault, Readings } from '../reading/types.ts'
import { THRESHOLDS } from '../thresholds.ts'
import { type Cause, FAULTS, type Fault } from './causes.ts'
import { headingOf, isGoodButForOneSign, looksUneven } from './heading.ts'
import { causeOfFault } from './mend.ts'
import { leaningNoted, tasteLeaning } from './taste.ts'
import { OF_THE_GRIND, type OpenTo } from './naming.ts'
import type { Move, Reason } from './types.ts'

/**
 * What the craft leaves open for a shot, and the rule that did so: which hypotheses may be thought of, which causes may
 * be named, and a move that stands whatever is named.
 */
export interface Ruling {
  open: OpenTo
  /** Where only these may be named; `isSettled`: the rule itself says that it is one of them, however likely. */
  mayName: readonly Cause[] | null
  isSettled: boolean
  move: Move | null
  /** The bed is mended before the grind is moved. */
  isPuckFirst: boolean
  /** What was seen is mended before what nobody saw. */
  isGateFirst: boolean
  why: Reason[]
  mendToo: GateFault[]
}

/** Faults that open short cuts for the water. */
export const CHANNELLING: readonly Fault[] = ['tamp-tilted', 'tamp-light', 'poor-distribution', 'basket-wet']

/**
 * The fixed order of judgement: a choke, and a miss too large to be explained, move the grind; a gate that failed is
 * mended first; then an uneven flow; a good cup is left; a wrong yield at a right flow is stopping; taste never pushes a
 * shot further out.
 */
export function rulingOf(readings: Readings): Ruling {
  return (
    towardsWindow(readings) ??
    gateFirst(readings) ??
    puckFirst(readings) ??
    stopFirst(readings) ??
    goodCup(readings) ??
    byTongue(readings) ??
    learnerAgainstFlow(readings) ??
    tasteAgainstFlow(readings) ??
    open(readings)
  )
}

/** No rule decides: whatever is likeliest is named and mended. */
export const OPEN: Ruling = {
  open: 'all',
  mayName: null,
  isSettled: false,
  move: null,
  isPuckFirst: false,
  isGateFirst: false,
  why: [],
  mendToo: [],
}

/** Something beside the grind is at fault, whatever the grind is. */
const BESIDE_THE_GRIND = {
  open: 'beside-grind',
  mayName: FAULTS.filter((fault) => !OF_THE_GRIND.includes(fault)),
} satisfies Partial<Ruling>

/** So far out that the direction stands whatever else was found; the faults found are mended beside it. */
function towardsWindow(readings: Readings): Ruling | null {
  const { flow, gate, unevenSigns } = readings
  if (!ranSlow(flow) && !ranFast(flow)) return null
  if (flow.state !== 'choking' && !isFarOut(readings)) return null
  if (isGoodAllTheSame(readings)) return null
  const bed: GateFault[] = unevenSigns.length > 0 && !gate.faults.includes('bed-uneven') ? ['bed-uneven'] : []
  const cause = ranSlow(flow) ? 'grind-too-fine' : 'grind-too-coarse'
  return {
    ...OPEN,
    mayName: [cause],
    isSettled: true,
    why: gate.passed ? [] : [{ code: 'miss-outweighs-faults' }],
    mendToo: [...gate.faults, ...(flow.state === 'choking' ? [] : bed)],
  }
}

/**
 * However long it took: a cup that was not given up, without an uneven sign, and good to a trusted tongue. A fault that was
 * seen is mended, and the grind waits for what it tastes of then.
 */
function isGoodAllTheSame(readings: Readings): boolean {
  const {
    unevenSigns,
    of: { facts },
  } = readings
  const isPlain = facts.abandoned === null && unevenSigns.length === 0
  return isPlain && tasteLeaning(readings) === 'balanced'
}

/** A shot with neither fault nor uneven sign is judged further down. */
function isFarOut({ gate, flow, dose, unevenSigns, of }: Readings): boolean {
  if (gate.faults.length === 0 && unevenSigns.length === 0) return false
  if (unevenSigns.length > 0 && flow.missLn <= THRESHOLDS.unevenPuckFirstLn) return false
  return gate.faults.length === 0 || missOutweighsFaults(flow, gate, dose, of.context.grindMoved)
}

/** What was seen is mended first; a slight tilt is evidence, not yet a fault. */
function gateFirst({ gate }: Readings): Ruling | null {
  const faults = gate.faults.filter((fault) => fault !== 'tamp-slightly-tilted')
  if (faults.length === 0) return null
  return {
    ...OPEN,
    mayName: faults.map(causeOfFault),
    isSettled: true,
    isGateFirst: true,
    why: [{ code: 'gate-first' }],
    mendToo: faults,
  }
}

/** An uneven look has a cause; where that would be the grind, the puck is mended first. */
function puckFirst(readings: Readings): Ruling | null {
  const {
    unevenSigns,
    of: { facts },
  } = readings
  if (unevenSigns.length === 0 || isGoodButForOneSign(readings)) return null
  // A stream and a puck that were looked at and even outweigh the tongue.
  const isEven = facts.look.stream === 'even' && facts.look.puck === 'even'
  if (isEven && !looksUneven(unevenSigns)) return null
  return { ...OPEN, open: 'faults', isPuckFirst: true }
}

/** A wrong yield at a right flow is a stopping fault, or a counter set for another basket. */
function stopFirst(readings: Readings): Ruling | null {
  const { yield: cup, flow, of } = readings
  if (flow.state !== 'on' || !cup.judged || cup.standing === 'on') return null
  if (cup.standing === 'near' && tasteLeaning(readings) === 'balanced') return null
  const isLate = cup.deviation > 0
  const byHand: Fault = isLate ? 'stopped-late' : 'stopped-early'
  const causes: Fault[] =
    of.context.machine?.stopsItself === true ? ['wrong-basket'] : [byHand, 'wrong-basket']
  return {
    ...OPEN,
    mayName: causes,
    isSettled: true,
    why: [{ code: 'stop-first' }],
  }
}

/** Nothing is changed: for good, or once more the same before anything is concluded of a shot that is off its targets. */
export function keptAs({ time, yield: cup, flow }: Readings): Move {
  const isOff =
    (time.judged && time.standing === 'off') || (cup.judged && cup.standing === 'off') || ranFarOut(flow)
  return { lever: isOff ? 'again' : 'leave' }
}

/** Good to a tongue that can be trusted: nothing is changed, and off its window it is pulled once more the same. */
function goodCup(readings: Readings): Ruling | null {
  if (tasteLeaning(readings) !== 'balanced') return null
  return {
    ...OPEN,
    mayName: ['none'],
    isSettled: true,
    move: keptAs(readings),
    why: ranSlow(readings.flow) || ranFast(readings.flow) ? [{ code: 'taste-decides' }] : [],
  }
}

/** Beginners swap sour and bitter: where one contradicts the flow a trainer tastes it. */
function learnerAgainstFlow(readings: Readings): Ruling | null {
  if (readings.of.context.tongue === 'trusted' || !contradicts(leaningNoted(readings), readings)) return null
  return {
    ...OPEN,
    open: openTo(readings),
    move: { lever: 'observe', observation: 'trainer-taste' },
    why: [{ code: 'learner-against-flow' }],
  }
}

/** A house that goes by the tongue, and judges no time: the yield is moved first, and the grind after it. */
function byTongue(readings: Readings): Ruling | null {
  const { flow, of } = readings
  if (flow.state !== 'unknown' || !(of.recipe.school?.onlyRecorded.includes('time') ?? false)) return null
  const leaning = tasteLeaning(readings)
  if (leaning !== 'under' && leaning !== 'over') return null
  return {
    ...OPEN,
    mayName: [leaning === 'under' ? 'ratio-short' : 'ratio-long'],
    isSettled: true,
    why: [{ code: 'ratio-first' }],
  }
}

/** Sour though slow, or bitter though fast: towards the window would be further from a good cup. */
function tasteAgainstFlow(readings: Readings): Ruling | null {
  // Far out the flow decides all the same: that way lies the window.
  if (readings.flow.missLn > THRESHOLDS.tasteAgainstLn) return null
  if (!contradicts(tasteLeaning(readings), readings)) return null
  return {
    ...OPEN,
    ...BESIDE_THE_GRIND,
    why: [{ code: 'taste-against-flow' }],
  }
}

function contradicts(leaning: ReturnType<typeof tasteLeaning>, { flow }: Readings): boolean {
  return (ranSlow(flow) && leaning === 'under') || (ranFast(flow) && leaning === 'over')
}

/** Taste on time is not the grind's: the ratio comes first. Otherwise all is open, and a heading of fault has a cause. */
function open(readings: Readings): Ruling {
  const { flow } = readings
  const leaning = tasteLeaning(readings)
  if (flow.state === 'on' && (leaning === 'under' || leaning === 'over'))
    return {
      ...OPEN,
      ...BESIDE_THE_GRIND,
      why: [{ code: 'ratio-first' }],
    }
  return { ...OPEN, open: openTo(readings) }
}

/** A shot that is clearly off has a cause; one that is within twice its tolerance may be nothing but chance. */
function openTo(readings: Readings): OpenTo {
  const heading = headingOf(readings)
  const isFault = heading !== 'on-time' && heading !== 'balanced' && heading !== 'unclear'
  const isNear = readings.time.judged && readings.time.standing === 'near' && tasteLeaning(readings) === null
  return isFault && !isNear ? 'faults' : 'all'
}
