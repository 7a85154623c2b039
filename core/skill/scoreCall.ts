import type { Cause } from '../diagnosis/causes.ts'
import { type CallWord, FLOW_HEADINGS, type FlowHeading, type Verdict } from '../diagnosis/types.ts'

/** What a trainee says before the reading opens. */
export interface Call {
  /** In a word of flow by eye, of the cup once it was tasted. */
  verdict: CallWord
  /** null: they can't say why, which is not that nothing is wrong. */
  cause: Cause | null
  /** Which way the grind should go, or that it should be held. */
  move: GrindDirection
}
/** Which way a call would move the grind. */
export type GrindDirection = 'finer' | 'coarser' | 'hold'

/** What the call is held against. `causes`: most probable first. */
export interface CallTruth {
  /** null: nobody to be trusted tasted it, and its flow is known; then cause and move alone are held against it. */
  verdict: Verdict | null
  /** How it flowed; null where nobody knows. */
  flow: FlowHeading | null
  move: GrindDirection
  causes: readonly { cause: Cause; probability: number }[]
  /** The cause is certain: simulated, deliberate, or confirmed by a trainer. */
  isCauseKnown: boolean
}

const CAUSE_SURE_FROM = 0.6
const TOP_CAUSES = 3

/**
 * Scores a call 0–1: the mean of verdict, cause and move, each full or nothing, half for a cause among the next two
 * where the first is not certain. The cause is scored only where the truth is known or at least 0.6 probable.
 * Null for an unclear shot, unless the call says so too: then it earns full marks.
 */
export function scoreCall(call: Call, truth: CallTruth): number | null {
  if (truth.verdict === 'unclear') return call.verdict === 'unclear' ? 1 : null
  const parts = [Number(call.move === truth.move)]
  const isFlowWord = FLOW_HEADINGS.some((word) => word === call.verdict)
  const truly = isFlowWord ? truth.flow : truth.verdict
  if (truly !== null) parts.push(Number(call.verdict === truly))
  const cause = causeScore(call.cause, truth)
  if (cause !== null) parts.push(cause)
  return parts.reduce((sum, part) => sum + part, 0) / parts.length
}

function causeScore(cause: Call['cause'], { causes, isCauseKnown }: CallTruth): number | null {
  const [first] = causes
  if (first === undefined || (!isCauseKnown && first.probability < CAUSE_SURE_FROM)) return null
  if (first.cause === cause) return 1
  if (isCauseKnown) return 0
  return causes.slice(0, TOP_CAUSES).some((each) => each.cause === cause) ? 0.5 : 0
}
