import type { Readings } from '../reading/types.ts'
import type { SignsSeen } from '../shot/signs.ts'
import { type Cause, FAULTS } from './causes.ts'
import { cupVerdicts, verdictOf } from './cupVerdict.ts'
import { factorFromEarlier, signsOfRun } from './earlierShots.ts'
import { evidenceOf } from './evidence.ts'
import type { EvidenceKey } from './evidenceTypes.ts'
import { type GrindContext, isAtFinest } from './grindMove.ts'
import { type CauseProbability, type Inference, infer } from './infer.ts'
import { type Candidate, bestOf, lookWorth } from './moves.ts'
import { type TellingLook, tellingLooks } from './nextLook.ts'
import { type Ruling, rulingOf } from './rules.ts'
import type { Diagnosis, HeldLever, Move, Observation, Reason } from './types.ts'
import { weighedEvidence } from './weighedEvidence.ts'

/** A cause less likely than this is not named while one more look is asked for. */
const NAMED_FROM = 0.35
/** A second cause less likely than this is not worth naming. */
const RUNNER_UP_FROM = 0.1
/** A look that would tell less than this, in nats, is not worth asking for. */
const TELLS_FROM = 0.03

/**
 * What is behind a shot, how sure, and the one next move: exact inference over no fault, one fault and pairs of faults,
 * under the craft's fixed order of judgement (gate, flow, evenness, taste). It can be asked at any moment, however
 * little is known.
 * @param earlier readings of the shots before it in this session at the same setting, oldest first; left out, it is
 *   judged alone
 */
export function diagnose(last: Readings, grind: GrindContext, earlier: readonly Readings[] = []): Diagnosis {
  const readings = withSigns(last, {
    ...signsOfScale(grind),
    ...(earlier.length === 0 ? {} : signsOfRun([...earlier, last])),
  })
  const evidence = evidenceOf(readings)
  const inference = infer(evidence, factorFromEarlier(earlier))
  const leading = inference.causes[0]?.cause ?? 'none'
  const ruling = rulingOf(readings, grind, leading)
  const looks = looksOf(inference, readings, new Set(evidence.items.map(({ key }) => key)))
  const { candidate, why } = decide(ruling, inference, looks)
  const { move } = candidate
  const verdicts = cupVerdicts(inference, evidence.items, readings)
  const cause = causeNamed(candidate, why, inference.causes)
  return {
    verdict: verdictOf(verdicts, evidence.items),
    verdicts,
    causes: inference.causes,
    cause,
    runnerUp: move.lever === 'leave' ? null : runnerUp(cause, inference.causes),
    evidence: weighedEvidence(evidence, inference, cause ?? leading, readings),
    why: [...why, ...unknownsThatMatter(readings, move)],
    move,
    mendToo: ruling.mendToo,
    hold: heldStill(move, ruling),
    lookNext: move.lever === 'observe' || move.lever === 'leave' ? null : besideMove(looks),
    pressureCaution: isUnderPressure(readings),
  }
}

/** What follows from elsewhere stands in where nobody said it. */
function withSigns(readings: Readings, derived: SignsSeen): Readings {
  const { context } = readings.of
  return {
    ...readings,
    of: { ...readings.of, context: { ...context, signs: { ...derived, ...context.signs } } },
  }
}

function signsOfScale(grind: GrindContext): SignsSeen {
  return grind.setting === null || grind.grinder === null ? {} : { 'at-finest-setting': isAtFinest(grind) }
}

/** The best move open, or the look that would tell most where that is worth more. */
function decide(
  { candidates, why, mayLook }: Ruling,
  { posterior }: Inference,
  looks: readonly TellingLook[],
): { candidate: Candidate; why: Reason[] } {
  const best = bestOf(candidates, posterior)
  const [look] = looks
  if (best !== null && !(mayLook && best.benefit < lookWorth(look?.gain ?? 0))) {
    return { candidate: best.candidate, why }
  }
  const observation = look?.observation ?? 'pull-another'
  return { candidate: { move: { lever: 'observe', observation }, mends: {} }, why: [] }
}

/** What would tell most, the most telling first; never a look into a puck that may be under pressure. */
function looksOf(inference: Inference, readings: Readings, noted: ReadonlySet<EvidenceKey>): TellingLook[] {
  return tellingLooks(inference, noted).filter(
    ({ observation, gain }) =>
      gain > TELLS_FROM && (observation !== 'read-puck' || !isUnderPressure(readings)),
  )
}

/** Looks that take a shot of their own: no company for a move that changes the next one. */
const SHOTS_OF_THEIR_OWN: ReadonlySet<Observation> = new Set([
  'pull-another',
  'try-another-grind',
  'let-another-pull',
  'try-another-group',
])

function besideMove(looks: readonly TellingLook[]): Observation | null {
  return looks.find(({ observation }) => !SHOTS_OF_THEIR_OWN.has(observation))?.observation ?? null
}

function isUnderPressure({ flow, of: { context } }: Readings): boolean {
  return flow.state === 'choking' || context.signs['drips-only'] === true
}

/** A fault that was seen and is to be mended is named before a likelier one that nobody saw. */
function causeNamed(
  { move, mends }: Candidate,
  why: readonly Reason[],
  [top]: readonly CauseProbability[],
): Cause | null {
  if (move.lever === 'leave') return 'none'
  const [seen] = FAULTS.filter((fault) => fault in mends)
  if (seen !== undefined && why.some(({ code }) => code === 'gate-first')) return seen
  if (top === undefined || (move.lever === 'observe' && top.probability < NAMED_FROM)) return null
  return top.cause
}

function runnerUp(cause: Cause | null, causes: readonly CauseProbability[]): Cause | null {
  const [next] = causes.filter((each) => each.cause !== cause)
  return cause !== null && next !== undefined && next.probability >= RUNNER_UP_FROM ? next.cause : null
}

function unknownsThatMatter({ gate }: Readings, move: Move): Reason[] {
  if (move.lever !== 'grind') return []
  return gate.unknowns.map((unknown) => ({ code: 'gate-unknown', unknown }))
}

const LEVERS_TO_HOLD: readonly HeldLever[] = ['grind', 'dose', 'tamp', 'ratio']

function heldStill(move: Move, { mendToo }: Ruling): HeldLever[] {
  const isMended = (what: string) => mendToo.some((fault) => fault.startsWith(what))
  const moving: string[] = [
    move.lever,
    ...(isMended('dose') ? ['dose'] : []),
    ...(isMended('tamp') ? ['tamp'] : []),
  ]
  return LEVERS_TO_HOLD.filter((lever) => !moving.includes(lever))
}
