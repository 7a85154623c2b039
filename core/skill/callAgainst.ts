import type { Cause } from '../diagnosis/causes.ts'
import type { Diagnosis, FlowHeading, Verdict } from '../diagnosis/types.ts'
import type { FaultShown } from '../shot/purpose.ts'
import type { CalledAs } from './forTrainer.ts'
import { type Call, type GrindDirection, scoreCall } from './scoreCall.ts'

/** A trainer's own reading of a shot; null where it leaves cause or move alone. */
export interface Ruled {
  verdict: Verdict
  cause: Cause | null
  move: GrindDirection | null
}

/** What is known beside the diagnosis. */
interface KnownBeside {
  flow?: FlowHeading | null
  /** The fault that was made on purpose. */
  faultShown?: FaultShown | null
}

/** Which way a diagnosis moves the grind. */
function directionOf({ move }: Diagnosis): GrindDirection {
  return move.lever === 'grind' ? move.direction : 'hold'
}

/** Untasted, a shot whose flow is known has no verdict to hold a call against. */
function verdictOf({ verdict, heading }: Diagnosis) {
  return verdict === 'unclear' && heading !== 'unclear' ? null : verdict
}

/** A call against the reading, or against the trainer who read it otherwise, 0–1; null where nothing can be scored. */
export function callAgainst(
  call: Call,
  diagnosis: Diagnosis,
  ruling: Ruled | null = null,
  { flow = null, faultShown = null }: KnownBeside = {},
): number | null {
  const read = {
    verdict: verdictOf(diagnosis),
    flow,
    move: directionOf(diagnosis),
    causes: diagnosis.causes,
    isCauseKnown: false,
    ...(faultShown !== null && certain(faultShown)),
  }
  if (ruling === null) return scoreCall(call, read)
  const ruled = ruling.cause === null ? {} : certain(ruling.cause)
  return scoreCall(call, { ...read, verdict: ruling.verdict, move: ruling.move ?? read.move, ...ruled })
}

/** From this on the first of a list of causes is taken for what it was. */
const TAKEN_FROM = 0.6

/** The cause that somebody named and the one it was; null where they named none, or what it was is not sure enough. */
export function calledAs(
  said: Cause | null,
  { causes }: Pick<Diagnosis, 'causes'>,
  ruling: Ruled | null = null,
  faultShown: FaultShown | null = null,
): CalledAs | null {
  const [first] = causes
  const likely = first !== undefined && first.probability >= TAKEN_FROM ? first.cause : null
  const truly = ruling?.cause ?? faultShown ?? likely
  return said === null || truly === null ? null : { said, truly }
}

/** A cause that is known: made on purpose, or told by a trainer. */
function certain(cause: Cause) {
  return { causes: [{ cause, probability: 1 }], isCauseKnown: true }
}
