import type { GrinderScale } from '../equipment/equipment.ts'
import { missOutweighsFaults } from '../reading/gate.ts'
import type { GateFault, Readings } from '../reading/types.ts'
import { THRESHOLDS } from '../thresholds.ts'
import { grindMove } from './grindMove.ts'
import { causeOfFault, mendMove } from './mend.ts'
import { tasteLeaning } from './taste.ts'
import type { Cause, Diagnosis, Lever, Move, Observation, Reason } from './types.ts'
import { verdictOf } from './verdict.ts'

/** What was set at the grinder when the shot was pulled. */
export interface GrindContext {
  setting: number | null
  grinder: GrinderScale | null
}

interface Finding {
  cause: Cause
  move: Move
  why: Reason[]
  mendToo?: GateFault[]
}

/**
 * The likely cause of what the readings show, why, and the one next move, in the fixed order of judgement: gate,
 * flow, evenness, taste. A shot that fails the gate moves the grind only when its faults can't explain the miss.
 */
export function diagnose(readings: Readings, grind: GrindContext): Diagnosis {
  const finding = find(readings, grind)
  const { move } = finding
  return {
    verdict: verdictOf(readings),
    cause: finding.cause,
    why: [...finding.why, ...unknownsThatMatter(readings, move)],
    move,
    mendToo: finding.mendToo ?? [],
    hold: heldStill(move, finding.mendToo ?? []),
    lookNext: lookNext(readings, move),
    pressureCaution: readings.flow.state === 'choking',
  }
}

function find(readings: Readings, grind: GrindContext): Finding {
  const { gate, flow, unevenSigns } = readings
  const flowIsOff = flow.state !== 'on' && flow.state !== 'unknown'
  const flowReason: Reason[] = flow.state === 'unknown' ? [] : [{ code: 'flow', state: flow.state }]
  if (flow.state === 'choking') return moveGrind(readings, grind, flowReason)
  if (flowIsOff && farOut(readings)) return moveGrind(readings, grind, flowReason)
  const fault = gate.faults[0]
  if (fault !== undefined && !onlySlightTiltOfAGoodShot(readings)) {
    const why: Reason[] = gate.faults.map((each) => ({ code: 'gate-fault', fault: each }))
    return { cause: causeOfFault(fault), move: mendMove(fault, readings), why: [...why, ...flowReason] }
  }
  if (unevenSigns.length > 0) return mendPuck(readings, flowReason)
  if (flowIsOff) return flowMissed(readings, grind, flowReason)
  return flow.state === 'on' ? flowOn(readings, flowReason) : flowUnknown(readings)
}

/** So far out that the direction stands whatever else was found. A shot with neither fault nor uneven sign is judged further down. */
function farOut({ gate, flow, dose, unevenSigns }: Readings): boolean {
  if (gate.faults.length === 0 && unevenSigns.length === 0) return false
  if (unevenSigns.length > 0 && flow.missLn <= THRESHOLDS.unevenPuckFirstLn) return false
  return gate.faults.length === 0 || missOutweighsFaults(flow, gate, dose)
}

function onlySlightTiltOfAGoodShot(readings: Readings): boolean {
  const { gate, flow } = readings
  const onlySlight = gate.faults.every((fault) => fault === 'tamp-slightly-tilted')
  return (
    onlySlight &&
    flow.state === 'on' &&
    tasteLeaning(readings) === 'balanced' &&
    readings.unevenSigns.length === 0
  )
}

function moveGrind(readings: Readings, grind: GrindContext, flowReason: Reason[]): Finding {
  const { gate, flow, unevenSigns } = readings
  const move = grindMove(flow, grind.setting, grind.grinder)
  const why: Reason[] = [...flowReason]
  if (!gate.passed) why.push({ code: 'miss-outweighs-faults' })
  why.push(...gate.faults.map((fault): Reason => ({ code: 'gate-fault', fault })))
  why.push(...unevenSigns.map((sign): Reason => ({ code: 'uneven', sign })))
  const puckToo: GateFault[] =
    unevenSigns.length > 0 && !gate.faults.includes('bed-uneven') ? ['bed-uneven'] : []
  return {
    cause: move.direction === 'finer' ? 'grind-too-coarse' : 'grind-too-fine',
    move,
    why,
    mendToo: [...gate.faults, ...puckToo],
  }
}

function mendPuck({ unevenSigns }: Readings, flowReason: Reason[]): Finding {
  const oneSided = unevenSigns.some((sign) => sign === 'one-sided' || sign === 'thin-side')
  const why: Reason[] = unevenSigns.map((sign) => ({ code: 'uneven', sign }))
  return {
    cause: oneSided ? 'tamp-tilted' : 'poor-distribution',
    move: oneSided ? { lever: 'tamp', how: 'level' } : { lever: 'distribution' },
    why: [...why, { code: 'puck-first' }, ...flowReason],
  }
}

function flowMissed(readings: Readings, grind: GrindContext, flowReason: Reason[]): Finding {
  const leaning = tasteLeaning(readings)
  const slow = readings.flow.state === 'slow'
  if (leaning === 'balanced') {
    return {
      cause: 'none',
      move: { lever: 'leave' },
      why: [{ code: 'taste', leaning }, { code: 'taste-decides' }, ...flowReason],
    }
  }
  const tasteReason: Reason[] = leaning === null ? [] : [{ code: 'taste', leaning }]
  // A cup that tastes of the other side must not be pushed further out of its window.
  if (slow && leaning === 'under') {
    return {
      cause: 'channels-or-cold',
      move: { lever: 'observe', observation: 'check-gate' },
      why: [...flowReason, ...tasteReason],
    }
  }
  if (!slow && leaning === 'over') {
    return { cause: 'too-hot-or-dirty', move: { lever: 'clean' }, why: [...flowReason, ...tasteReason] }
  }
  if (!readings.dose.judged && readings.flow.missLn < THRESHOLDS.littleOffLn) {
    return {
      cause: 'not-enough',
      move: { lever: 'observe', observation: 'weigh-dose' },
      why: [...flowReason, { code: 'gate-unknown', unknown: 'dose' }],
    }
  }
  return moveGrind(readings, grind, [...flowReason, ...tasteReason])
}

function flowOn(readings: Readings, flowReason: Reason[]): Finding {
  const { yield: cup } = readings
  const leaning = tasteLeaning(readings)
  const tasteReason: Reason[] = leaning === null ? [] : [{ code: 'taste', leaning }]
  if (cup.judged && cup.standing !== 'on' && leaning !== 'balanced') {
    return {
      cause: cup.direction === 'over' ? 'stopped-late' : 'stopped-early',
      move: { lever: 'stop', byG: -cup.deviation },
      why: [...flowReason, { code: 'yield-off', byG: cup.deviation }, ...tasteReason],
    }
  }
  switch (leaning) {
    case null:
      return { cause: 'not-enough', move: { lever: 'observe', observation: 'taste-it' }, why: flowReason }
    case 'under':
      return {
        cause: 'ratio-short',
        move: { lever: 'ratio', direction: 'longer' },
        why: [...flowReason, ...tasteReason, { code: 'taste-decides' }],
      }
    case 'over':
      return {
        cause: 'ratio-long',
        move: { lever: 'ratio', direction: 'shorter' },
        why: [...flowReason, ...tasteReason, { code: 'taste-decides' }],
      }
    case 'balanced':
      return { cause: 'none', move: { lever: 'leave' }, why: [...flowReason, ...tasteReason] }
    case 'uneven':
    case 'flat':
      return {
        cause: 'not-enough',
        move: { lever: 'observe', observation: 'check-gate' },
        why: [...flowReason, ...tasteReason],
      }
  }
}

function flowUnknown(readings: Readings): Finding {
  const leaning = tasteLeaning(readings)
  const why: Reason[] = leaning === null ? [] : [{ code: 'taste', leaning }]
  if (leaning === 'balanced') return { cause: 'none', move: { lever: 'leave' }, why }
  return { cause: 'not-enough', move: { lever: 'observe', observation: whatWouldTime(readings) }, why }
}

function whatWouldTime({ time }: Readings): Observation {
  if (time.judged) return 'taste-it'
  switch (time.why) {
    case 'first-drop-missed':
      return 'mark-first-drop'
    case 'cup-not-weighed':
    case 'spilt':
      return 'weigh-cup'
    case 'stopped-before-drop':
    case 'stopped-too-far':
      return 'let-it-run'
    default:
      return 'time-it'
  }
}

function unknownsThatMatter({ gate }: Readings, move: Move): Reason[] {
  if (move.lever !== 'grind') return []
  return gate.unknowns.map((unknown) => ({ code: 'gate-unknown', unknown }))
}

const LEVERS_TO_HOLD: readonly Lever[] = ['grind', 'dose', 'tamp', 'ratio']

function heldStill(move: Move, mendToo: readonly GateFault[]): Lever[] {
  const mended = mendToo.some((fault) => fault.startsWith('dose')) ? ['dose'] : []
  const tampMended = mendToo.some((fault) => fault.startsWith('tamp')) ? ['tamp'] : []
  const moving: string[] = [move.lever, ...mended, ...tampMended]
  return LEVERS_TO_HOLD.filter((lever) => !moving.includes(lever))
}

function lookNext(readings: Readings, move: Move): Observation | null {
  if (move.lever === 'observe') return null
  // A choked puck is under pressure: nobody should be sent to read it.
  if (readings.flow.state === 'choking') return 'watch-stream'
  if (!readings.taste.judged) return 'taste-it'
  if (!readings.time.judged) return whatWouldTime(readings)
  if (!readings.dose.judged) return 'weigh-dose'
  if (move.lever === 'leave') return null
  if (move.lever === 'distribution' || move.lever === 'tamp' || !readings.looked.stream) return 'watch-stream'
  if (!readings.looked.puck) return 'read-puck'
  return readings.gate.unknowns.length > 0 ? 'check-gate' : null
}
