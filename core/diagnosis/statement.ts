import type { ShotContext } from '../reading/context.ts'
import type { GateFault, GateUnknown, Readings } from '../reading/types.ts'
import type { SignsSeen } from '../shot/signs.ts'
import type { Cause } from './causes.ts'
import { factorFromEarlier, signsOfRun } from './earlierShots.ts'
import { type EvidenceOfShot, evidenceOf } from './evidence.ts'
import { type GrindContext, isAtFinest } from './grindMove.ts'
import { headingOf, verdictOf } from './heading.ts'
import { type CauseProbability, type Inference, infer, marginals } from './infer.ts'
import { partingLook, tellingLook } from './lookFor.ts'
import { type Mend, causeOfFault, keepsAll, mendOf } from './mend.ts'
import { type FocusPart, isLookedAt } from '../training/focus.ts'
import { isLookInFocus } from './nextLook.ts'
import { statementOfHands } from './handsStatement.ts'
import { isSaidOfHands } from './ofHands.ts'
import { oneThingRight, readingChangedBy } from './worthSaying.ts'
import { OF_THE_GRIND, carries, named, posteriorOpen } from './naming.ts'
import { pressureCautionOf } from './pressure.ts'
import { CHANNELLING, OPEN, type Ruling, keptAs, rulingOf } from './rules.ts'
import { factorOfSituation } from './situation.ts'
import { tasteLeaning } from './taste.ts'
import type { HeldLever, Move, Named, Reason, Statement } from './types.ts'

/** A statement and what it rests on, for whoever asks why. */
export interface Judgement {
  statement: Statement
  readings: Readings
  evidence: EvidenceOfShot
  inference: Inference
  ruling: Ruling
}

/**
 * What is said of a shot: the craft's order of judgement decides what may be thought of and named, exact inference how
 * likely each of that is, and the move mends what is named.
 * @param earlier readings of the shots before it in this session at the same setting, oldest first
 */
export function judge(last: Readings, grind: GrindContext, earlier: readonly Readings[] = []): Judgement {
  const readings = withSigns(last, {
    ...signsOfScale(grind),
    ...(earlier.length === 0 ? {} : signsOfRun([...earlier, last])),
  })
  const { context, recipe } = readings.of
  const evidence = evidenceOf(readings)
  const factor = product(factorOfSituation(context, recipe), factorFromEarlier(earlier))
  const inference = infer(evidence, factor)
  const byTheCraft = rulingOf(readings)
  const causes = marginals(posteriorOpen(inference.posterior, byTheCraft.open))
  const ruling = isAlmostCertain(byTheCraft, causes[0]) ? OPEN : byTheCraft
  const namedAndMended = namedBy(ruling, causes)
  const { said, mended } = namedAndMended
  const { move, why } = withinFocus(
    moveFor(namedAndMended, { ruling, readings, grind, evidence, inference }),
    context,
  )
  const faultsToo = ruling.mendToo.filter((fault) => causeOfFault(fault) !== mended)
  const changes = readingChangedBy(move)
  const statement: Statement = isSaidOfHands(readings)
    ? statementOfHands(readings, grind)
    : {
        heading: headingOf(readings),
        verdict: verdictOf(readings),
        named: said,
        move,
        why: [
          ...ruling.why.filter(({ code }) => saysWhy(code, move)),
          ...why,
          ...unknownsThatMatter(readings, move),
        ],
        mendToo: faultsToo,
        hold: heldStill(move, faultsToo),
        right: oneThingRight(readings, changes),
        changes,
        pressureCaution: pressureCautionOf(readings),
        causes,
      }
  return { statement, readings, evidence, inference, ruling }
}

/** From here on a fault of hands, heat or coffee is as good as seen. */
const ALMOST_CERTAIN = 0.8

/** A good cup is kept as it is, unless something beside the grind is almost certainly at fault: then that is mended. */
function isAlmostCertain({ move }: Ruling, top: CauseProbability | undefined): boolean {
  return (
    move !== null &&
    keepsAll(move) &&
    top !== undefined &&
    top.probability >= ALMOST_CERTAIN &&
    top.cause !== 'none' &&
    !OF_THE_GRIND.includes(top.cause)
  )
}

/** What follows from elsewhere stands in where nobody said it. */
function withSigns(readings: Readings, derived: SignsSeen): Readings {
  const { context } = readings.of
  if (Object.keys(derived).length === 0) return readings
  return {
    ...readings,
    of: { ...readings.of, context: { ...context, signs: { ...derived, ...context.signs } } },
  }
}

function signsOfScale(grind: GrindContext): SignsSeen {
  return grind.setting === null || grind.grinder === null ? {} : { 'at-finest-setting': isAtFinest(grind) }
}

function product(one: Float64Array | undefined, other: Float64Array | undefined): Float64Array | undefined {
  if (one === undefined || other === undefined) return one ?? other
  return one.map((factor, at) => factor * (other[at] ?? 1))
}

/** What is named, and the cause among it that the move mends. */
interface NamedAndMended {
  said: Named
  mended: Cause | undefined
}

/**
 * What was seen is named, however likely it is, and mended first; a likelier cause that nobody saw is named before it
 * where it carries enough by itself.
 */
function namedBy(
  { mayName, isSettled, isGateFirst }: Ruling,
  causes: readonly CauseProbability[],
): NamedAndMended {
  const open = mayName === null ? causes : causes.filter(({ cause }) => mayName.includes(cause))
  if (!isSettled) {
    const said = named(open)
    return { said, mended: said.causes[0] }
  }
  const [first] = open
  if (first === undefined) return { said: named([]), mended: undefined }
  const mended = first.cause
  const unseen = isGateFirst ? causes.find(({ cause }) => cause !== 'none' && cause !== mended) : undefined
  if (unseen !== undefined && carries(unseen) && mayName?.includes(unseen.cause) !== true) {
    const isLikelier = unseen.probability > first.probability
    return {
      said: { as: 'both', causes: isLikelier ? [unseen.cause, mended] : [mended, unseen.cause] },
      mended,
    }
  }
  const said = named(open)
  return { said: said.as === 'both' ? said : { as: 'one', causes: [mended] }, mended }
}

/** What the day does not look at is not asked for: then another shot tells. */
function withinFocus(mend: Mend, context: ShotContext): Mend {
  const { move } = mend
  return move.lever === 'observe' && !isLookInFocus(move.observation, context)
    ? { move: { lever: 'observe', observation: 'pull-another' }, why: [] }
    : mend
}

type Asked = Omit<Judgement, 'statement'> & { grind: GrindContext }

function moveFor({ said, mended: first }: NamedAndMended, asked: Asked): Mend {
  const { ruling, readings, grind } = asked
  if (ruling.move !== null) return { move: ruling.move, why: [] }
  const second = said.as === 'either' ? said.causes[1] : undefined
  if (first === undefined) return { move: tellingLook(asked), why: [] }
  if (first === 'none' || second === 'none') return { move: forNothingFound(said, asked), why: [] }
  const mend = ruling.isPuckFirst ? puckMend(first, asked) : mendOf(first, readings, grind)
  if (second === undefined || isSame(mend.move, second, asked)) return mend
  return { move: partingLook(first, second, asked) ?? mend.move, why: [] }
}

/** Grinding finer usually makes channels worse, and coarser comes only if it stays uneven after a careful repeat. */
function puckMend(cause: Cause, { readings, grind }: Asked): Mend {
  const mend = mendOf(cause, readings, grind)
  const isOfTheGrind =
    mend.move.lever === 'grind' || mend.move.lever === 'burrs' || mend.move.lever === 'observe'
  const isOfThePuck = CHANNELLING.some((fault) => fault === cause)
  if (!isOfTheGrind) return isOfThePuck ? { ...mend, why: [{ code: 'puck-first' }] } : mend
  return { move: { lever: 'distribution' }, why: [{ code: 'puck-first' }] }
}

/** Two causes that the same act mends need not be told apart. */
function isSame(move: Move, other: Cause, { readings, grind }: Asked): boolean {
  const its = other === 'none' ? null : mendOf(other, readings, grind).move
  return its !== null && JSON.stringify(its) === JSON.stringify(move)
}

/** Nothing is wrong as far as is known: taste it, if that can still change anything. */
function forNothingFound(said: Named, asked: Asked): Move {
  const [first, second] = said.causes
  if (first !== undefined && second !== undefined)
    return partingLook(first, second, asked) ?? tellingLook(asked)
  const { readings } = asked
  if (!isLookedAt(readings.of.context.focus, 'taste') && readings.flow.state !== 'unknown')
    return { lever: 'leave' }
  if (tasteLeaning(readings) !== null) return keptAs(readings)
  if (readings.flow.state === 'unknown') return tellingLook(asked)
  const isTasted = readings.taste.judged && readings.of.context.tongue === 'learning'
  return { lever: 'observe', observation: isTasted ? 'trainer-taste' : 'taste-it' }
}

/** That the ratio comes before the grind is no reason for anything else. */
function saysWhy(code: Reason['code'], move: Move): boolean {
  return code !== 'ratio-first' || move.lever === 'ratio'
}

const PART_OF_UNKNOWN: Record<GateUnknown, FocusPart> = {
  machine: 'ready',
  basket: 'ready',
  'basket-size': 'ready',
  purge: 'bed',
  dose: 'dose',
  bed: 'bed',
  tamp: 'tamp',
}

function unknownsThatMatter({ gate, of: { context } }: Readings, move: Move): Reason[] {
  if (move.lever !== 'grind') return []
  return gate.unknowns
    .filter((unknown) => isLookedAt(context.focus, PART_OF_UNKNOWN[unknown]))
    .map((unknown) => ({ code: 'gate-unknown', unknown }))
}

const LEVERS_TO_HOLD: readonly HeldLever[] = ['grind', 'dose', 'tamp', 'ratio']

function heldStill(move: Move, faults: readonly GateFault[]): HeldLever[] {
  const isMended = (what: string) => faults.some((fault) => fault.startsWith(what))
  const moving: string[] = [
    move.lever,
    // Where no finer setting is left the dose is what fine-tunes.
    ...(move.lever === 'burrs' ? ['grind', 'dose'] : []),
    ...(isMended('dose') ? ['dose'] : []),
    ...(isMended('tamp') ? ['tamp'] : []),
  ]
  return LEVERS_TO_HOLD.filter((lever) => !moving.includes(lever))
}
