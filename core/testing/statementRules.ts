import type { Fault } from '../diagnosis/causes.ts'
import { leaningNoted, tasteLeaning } from '../diagnosis/taste.ts'
import type { Statement } from '../diagnosis/types.ts'
import { whenToLook } from '../diagnosis/nextLook.ts'
import { ranFast, ranSlow } from '../reading/flow.ts'
import type { Readings } from '../reading/types.ts'
import { isHeldBack } from '../shot/firstDrop.ts'
import { THRESHOLDS } from '../thresholds.ts'
import type { BankShot } from './shotBank.ts'

/** What a statement must hold, whatever the shot; true where it does. */
export type StatementRule = (said: Statement, readings: Readings, shot: BankShot) => boolean

const FLOW_WORDS: readonly string[] = ['choked', 'slow', 'on-time', 'fast', 'gushed', 'unclear']
const FAULT_HEADINGS: readonly string[] = ['under', 'over', 'uneven', 'choked', 'gushed']
const KEEPS: readonly string[] = ['leave', 'again']
/** Reasons that say in a clause why something else comes before what is named. */
const COMES_FIRST: readonly string[] = ['gate-first', 'puck-first', 'last-safe-step', 'learner-against-flow']

const isFast = ({ flow }: Readings) => ranFast(flow)
const isSlow = ({ flow }: Readings) => ranSlow(flow)

/** Rules of safety: what advice could hurt. */
export const SAFE: Record<string, StatementRule> = {
  'every choke has the caution about pressure': ({ pressureCaution }, { flow, of: { facts } }) =>
    pressureCaution !== null || (flow.state !== 'choking' && facts.abandoned !== 'choked'),
  'a pump that ran without a drop has it too': ({ pressureCaution }, { of: { facts } }) =>
    pressureCaution !== null || facts.clock?.firstDrop !== 'none',
  'a puck that held the water back never ran fast, and has the caution': (
    { heading, pressureCaution },
    { of: { facts, recipe } },
  ) =>
    !isHeldBack(facts.clock?.firstDropS ?? null, recipe) ||
    (heading !== 'fast' && heading !== 'gushed' && pressureCaution !== null),
  'a lever has its own words': ({ pressureCaution }, { of: { context } }) =>
    pressureCaution === null || (pressureCaution === 'lever') === (context.machine?.isLever === true),
  'without a release valve there is always one': ({ pressureCaution }, { of: { facts, context } }) =>
    pressureCaution !== null || facts.clock === null || context.machine?.hasReleaseValve !== false,
  'nobody is sent into a choke’s cup or puck': ({ move }, readings) =>
    move.lever !== 'observe' ||
    readings.flow.state !== 'choking' ||
    !['taste-it', 'trainer-taste', 'read-puck', 'weigh-cup', 'look-at-crema'].includes(move.observation),
}

/** Rules of one statement: heading, what is named, the move and what stays say one thing. */
const ONE: Record<string, StatementRule> = {
  'untasted by a trusted tongue the heading is a word of flow, or uneven by its look': (
    { heading },
    readings,
  ) =>
    tasteLeaning(readings) !== null ||
    FLOW_WORDS.includes(heading) ||
    (heading === 'uneven' && readings.unevenSigns.length > 0),
  'a heading of fault never stands beside "nothing is wrong"': ({ heading, named }) =>
    !FAULT_HEADINGS.includes(heading) || !named.causes.some((cause) => cause === 'none'),
  '"change nothing" never beside a named fault or a heading of fault': ({ heading, named, move }) =>
    !KEEPS.includes(move.lever) ||
    (named.causes.every((cause) => cause === 'none') && !FAULT_HEADINGS.includes(heading)),
  '"change nothing" never where a judged time or yield is off': ({ move }, { time, yield: cup }) =>
    move.lever !== 'leave' ||
    !((time.judged && time.standing === 'off') || (cup.judged && cup.standing === 'off')),
  'finer only after a fast shot': ({ move }, readings) =>
    move.lever !== 'grind' || move.direction !== 'finer' || isFast(readings),
  'coarser only after a slow one': ({ move }, readings) =>
    move.lever !== 'grind' ||
    move.direction !== 'coarser' ||
    isSlow(readings) ||
    readings.of.context.signs['drips-only'] === true,
  'a choke is never ground finer and a gush never coarser': ({ move }, { flow }) =>
    move.lever !== 'grind' ||
    !(
      (flow.state === 'choking' && move.direction === 'finer') ||
      (flow.state === 'gushing' && move.direction === 'coarser')
    ),
  'taste never pushes a shot further out': ({ move }, readings) => {
    const leaning = tasteLeaning(readings)
    const isPushed = (isSlow(readings) && leaning === 'under') || (isFast(readings) && leaning === 'over')
    // So far out, or so faulty, that the direction stands whatever it tastes of.
    const stands =
      readings.flow.missLn > THRESHOLDS.tasteAgainstLn ||
      readings.flow.state === 'choking' ||
      !readings.gate.passed ||
      readings.unevenSigns.length > 0
    return move.lever !== 'grind' || !isPushed || stands
  },
  'sour 7 and bitter 2 is never headed balanced': ({ heading }, { of: { facts, recipe, context } }) =>
    context.tongue !== 'trusted' ||
    recipe.taste != null ||
    (facts.taste.sour ?? 0) < 7 ||
    (facts.taste.bitter ?? 10) > 2 ||
    heading !== 'balanced',
  'a grind move names the grind': ({ move, named }) =>
    move.lever !== 'grind' ||
    named.causes.some((cause) => cause === 'grind-too-coarse' || cause === 'grind-too-fine'),
  'the move mends what is named, or a clause says what comes first': ({ move, named, why }) => {
    const [first] = named.causes
    if (move.lever === 'observe' || first === undefined || first === 'none') return true
    if (why.some(({ code }) => COMES_FIRST.includes(code))) return true
    return LEVERS[first] === move.lever
  },
  'what moves is not kept the same': ({ move, hold }) => !hold.some((lever) => lever === move.lever),
  'a look can be made, and its answer is not known': ({ move }, readings) =>
    move.lever !== 'observe' ||
    move.observation === 'pull-another' ||
    move.observation === 'time-it' ||
    whenToLook(move.observation, readings) !== null,
  'the one thing right is not the one to change': ({ right, changes }) => right === null || right !== changes,
  'a learner who contradicts the flow is not followed': ({ move, heading }, readings) =>
    readings.of.context.tongue === 'trusted' ||
    leaningNoted(readings) === null ||
    (heading !== 'under' && heading !== 'over' && !KEEPS.includes(move.lever)),
}

const LEVERS: Record<Fault, string> = {
  'grind-too-coarse': 'grind',
  'grind-too-fine': 'grind',
  'dose-low': 'dose',
  'dose-high': 'dose',
  'tamp-tilted': 'tamp',
  'tamp-light': 'tamp',
  'tamp-varying': 'tamp',
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
  'stopped-early': 'stop',
  'stopped-late': 'stop',
  'ratio-short': 'ratio',
  'ratio-long': 'ratio',
}

/** Every rule that a statement must hold. */
export const STATEMENT_RULES: Readonly<Record<string, StatementRule>> = { ...SAFE, ...ONE }
