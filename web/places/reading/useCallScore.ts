import type { Call, Ruling } from '@calm-apron/contract'
import {
  type Cause,
  type Diagnosis,
  type FaultShown,
  type FlowHeading,
  type GrindDirection,
  scoreCall,
} from '@calm-apron/core'

/** Which way a diagnosis moves the grind. */
function directionOf({ move }: Diagnosis): GrindDirection {
  return move.lever === 'grind' ? move.direction : 'hold'
}

/** Untasted, a shot whose flow is known has no verdict to hold a call against. */
function verdictOf({ verdict, heading }: Diagnosis) {
  return verdict === 'unclear' && heading !== 'unclear' ? null : verdict
}

/** A call against the reading, or against the trainer who read it otherwise, 0–1; null where nothing can be scored, or the call was left out. */
export function callScore(
  call: Call | null,
  diagnosis: Diagnosis,
  ruling: Pick<Ruling, 'verdict' | 'cause' | 'move'> | null = null,
  { flow = null, faultShown = null }: { flow?: FlowHeading | null; faultShown?: FaultShown | null } = {},
): number | null {
  if (call === null || call.verdict === null || call.move === null) return null
  const { verdict, cause, move } = call
  const said = { verdict, cause, move }
  const read = {
    verdict: verdictOf(diagnosis),
    flow,
    move: directionOf(diagnosis),
    causes: diagnosis.causes,
    isCauseKnown: false,
    ...(faultShown !== null && certain(faultShown)),
  }
  if (ruling === null) return scoreCall(said, read)
  const ruled = ruling.cause === null ? {} : certain(ruling.cause)
  return scoreCall(said, { ...read, verdict: ruling.verdict, move: ruling.move ?? read.move, ...ruled })
}

/** A cause that is known: made on purpose, or told by a trainer. */
function certain(cause: Cause) {
  return { causes: [{ cause, probability: 1 }], isCauseKnown: true }
}
