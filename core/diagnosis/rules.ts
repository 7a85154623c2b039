import { missOutweighsFaults } from '../reading/gate.ts'
import type { GateFault, Readings } from '../reading/types.ts'
import { THRESHOLDS } from '../thresholds.ts'
import { type Fault, type Cause } from './causes.ts'
import { CHANNELLING } from './cupVerdict.ts'
import { type GrindContext, grindMove, isAtFinest } from './grindMove.ts'
import { causeOfFault, mendMove } from './mend.ts'
import { type Candidate, MENDS, PUCK_MOVES } from './moves.ts'
import { tasteLeaning } from './taste.ts'
import type { Reason } from './types.ts'

/** The moves that the craft leaves open for a shot, and the rule that did so; more than one is weighed. */
export interface Ruling {
  candidates: readonly Candidate[]
  why: Reason[]
  mendToo: GateFault[]
  /** Whether asking for one more look is open as well. */
  mayLook: boolean
}

/**
 * The fixed order of judgement, before any weighing: a miss too large to be explained moves the grind; a gate that
 * failed is mended first; then an uneven flow; a good cup is left; taste never pushes a shot further out.
 */
export function rulingOf(readings: Readings, grind: GrindContext, leading: Cause): Ruling {
  const { gate, flow, unevenSigns } = readings
  if (flow.state === 'choking' || farOut(readings)) return moveTowardsWindow(readings, grind)
  if (gate.faults.length > 0 && !onlySlightTiltOfAGoodShot(readings)) {
    return { candidates: mendsOf(readings), why: [{ code: 'gate-first' }], mendToo: [], mayLook: false }
  }
  if (
    unevenSigns.length > 0 ||
    (leadsTo(CHANNELLING, leading) && flow.missLn <= THRESHOLDS.unevenPuckFirstLn)
  ) {
    const restToo = MENDS.filter(({ move }) => move.lever === 'rest' || move.lever === 'cool')
    return {
      candidates: unevenSigns.length > 0 ? PUCK_MOVES : [...PUCK_MOVES, ...restToo],
      why: [{ code: 'puck-first' }],
      mendToo: [],
      mayLook: unevenSigns.length === 0,
    }
  }
  if (isGood(readings)) {
    return { candidates: [LEAVE], why: tasteDecides(readings), mendToo: [], mayLook: false }
  }
  return stoppingRuling(readings) ?? openRuling(readings, grind)
}

const LEAVE: Candidate = { move: { lever: 'leave' }, mends: {} }

function leadsTo(faults: readonly Fault[], leading: Cause): boolean {
  return leading !== 'none' && faults.includes(leading)
}

/** So far out that the direction stands whatever else was found. A shot with neither fault nor uneven sign is judged further down. */
function farOut({ gate, flow, dose, unevenSigns }: Readings): boolean {
  if (flow.state === 'on' || flow.state === 'unknown') return false
  if (gate.faults.length === 0 && unevenSigns.length === 0) return false
  if (unevenSigns.length > 0 && flow.missLn <= THRESHOLDS.unevenPuckFirstLn) return false
  return gate.faults.length === 0 || missOutweighsFaults(flow, gate, dose)
}

function moveTowardsWindow(readings: Readings, grind: GrindContext): Ruling {
  const { gate, unevenSigns } = readings
  const bed: GateFault[] = unevenSigns.length > 0 && !gate.faults.includes('bed-uneven') ? ['bed-uneven'] : []
  return {
    candidates: [grindCandidate(readings, grind)],
    why: gate.passed ? [] : [{ code: 'miss-outweighs-faults' }],
    mendToo: [...gate.faults, ...bed],
    mayLook: false,
  }
}

/** Finer or coarser; or, where finer can't be had, what else would slow it down. */
function grindCandidate({ flow, of: { context } }: Readings, grind: GrindContext): Candidate {
  const isFast = flow.state === 'fast' || flow.state === 'gushing'
  if (isFast && context.signs['pre-ground-coffee'] === true) {
    return { move: { lever: 'fresh-grounds' }, mends: { 'pre-ground': 1 } }
  }
  if (isFast && (context.signs['at-finest-setting'] === true || isAtFinest(grind))) {
    return { move: { lever: 'burrs' }, mends: { 'burrs-out-of-range': 1 } }
  }
  const move = grindMove(flow, grind)
  return { move, mends: GRIND_MENDS[move.direction] }
}

/** Finer is the stopgap for old coffee too; and towards the window is right for a step beside right. */
const GRIND_MENDS = {
  finer: { 'grind-too-coarse': 1, 'coffee-stale': 0.4, 'burrs-out-of-range': 0.4 },
  coarser: { 'grind-too-fine': 1, 'burrs-out-of-range': 0.4 },
} as const

/** The mends of the faults that were seen: nothing else while the gate fails. */
function mendsOf(readings: Readings): Candidate[] {
  return readings.gate.faults.map((fault) => ({
    move: mendMove(fault, readings),
    mends: { [causeOfFault(fault)]: 1 },
  }))
}

function onlySlightTiltOfAGoodShot(readings: Readings): boolean {
  const { gate, flow, unevenSigns } = readings
  const onlySlight = gate.faults.every((fault) => fault === 'tamp-slightly-tilted')
  return onlySlight && flow.state === 'on' && isGood(readings) && unevenSigns.length === 0
}

function isGood(readings: Readings): boolean {
  const leaning = tasteLeaning(readings)
  return leaning === null ? readings.of.context.signs['tastes-good'] === true : leaning === 'balanced'
}

function tasteDecides({ flow }: Readings): Reason[] {
  return flow.state === 'on' || flow.state === 'unknown' ? [] : [{ code: 'taste-decides' }]
}

/** A wrong yield at a right flow is a stopping fault, or a counter set for another basket. */
function stoppingRuling(readings: Readings): Ruling | null {
  const stop = stopCandidate(readings)
  if (readings.flow.state !== 'on' || stop === null) return null
  const basket = MENDS.filter(({ move }) => move.lever === 'basket')
  return { candidates: [stop, ...basket], why: [{ code: 'stop-first' }], mendToo: [], mayLook: false }
}

function stopCandidate({ yield: cup }: Readings): Candidate | null {
  if (!cup.judged || cup.standing === 'on') return null
  return { move: { lever: 'stop', byG: -cup.deviation }, mends: { 'stopped-early': 1, 'stopped-late': 1 } }
}

/** No rule decides: every mend is weighed, the grind only where it can bring the shot nearer. */
function openRuling(readings: Readings, grind: GrindContext): Ruling {
  const { flow, dose } = readings
  const leaning = tasteLeaning(readings)
  const candidates: Candidate[] = [...MENDS]
  const why: Reason[] = []
  const word = leaning === null && !dose.judged ? doseWord(readings) : null
  if (word !== null) candidates.push(doseByWord(word))
  const stop = stopCandidate(readings)
  if (stop !== null) candidates.push(stop)
  if (flow.state === 'on' && (leaning === 'under' || leaning === 'over')) {
    candidates.push(ratioCandidate(leaning))
    why.push({ code: 'ratio-first' })
  }
  if (isAgainstFlow(readings)) why.push({ code: 'taste-against-flow' })
  else if (mayGrind(readings)) candidates.push(...grindCandidates(readings, grind))
  return { candidates, why, mendToo: [], mayLook: true }
}

/** Sour though slow, or bitter though fast: towards the window would be further from a good cup. */
function isAgainstFlow(readings: Readings): boolean {
  const leaning = tasteLeaning(readings)
  const { state } = readings.flow
  return (
    (state === 'slow' && leaning === 'under') ||
    ((state === 'fast' || state === 'gushing') && leaning === 'over')
  )
}

function mayGrind({ flow, dose }: Readings): boolean {
  if (flow.state === 'on') return false
  return dose.judged || flow.missLn >= THRESHOLDS.littleOffLn || flow.state === 'unknown'
}

function grindCandidates(readings: Readings, grind: GrindContext): Candidate[] {
  if (readings.flow.state !== 'unknown') return [grindCandidate(readings, grind)]
  const { signs } = readings.of.context
  if (signs['ran-fast'] === true) return [grindCandidate(asFlow(readings, 'fast'), grind)]
  if (signs['ran-slow'] === true || signs['drips-only'] === true) {
    return [grindCandidate(asFlow(readings, 'slow'), grind)]
  }
  return []
}

/** Nothing was timed, but somebody said how it ran. */
function asFlow(readings: Readings, state: 'fast' | 'slow'): Readings {
  return { ...readings, flow: { state, missLn: 0 } }
}

function ratioCandidate(leaning: 'under' | 'over'): Candidate {
  return leaning === 'under'
    ? { move: { lever: 'ratio', direction: 'longer' }, mends: { 'ratio-short': 1, 'stopped-early': 0.5 } }
    : { move: { lever: 'ratio', direction: 'shorter' }, mends: SHORTER_MENDS }
}

/** A shorter ratio takes the edge off a bitter roast and off hot water as well. */
const SHORTER_MENDS = {
  'ratio-long': 1,
  'stopped-late': 0.5,
  'roast-character': 0.6,
  'too-hot': 0.4,
} as const

function doseWord({ of: { context } }: Readings): 'more' | 'less' | null {
  if (context.signs['dose-looks-low'] === true) return 'more'
  return context.signs['dose-looks-high'] === true ? 'less' : null
}

function doseByWord(direction: 'more' | 'less'): Candidate {
  return {
    move: { lever: 'dose', direction, trimG: null },
    mends: direction === 'more' ? { 'dose-low': 1 } : { 'dose-high': 1 },
  }
}
