import { FAULTS, type Fault, type Way, canHoldTogether, waysOf } from './causes.ts'
import { EVIDENCE_TABLE } from './evidenceTable.ts'
import { CHANNELS, type Channel, type Entry, type Shown } from './evidenceTypes.ts'
import { PAIR_FACTOR, PRIORS } from './priors.ts'
import { BY_ITSELF } from './usual.ts'

/** What may be behind a shot: no fault, one, or two that can hold together, each in one of its ways. */
export interface Hypothesis {
  faults: readonly Fault[]
  ways: readonly Way[]
  /** Relative to no fault at all. */
  prior: number
}

function priorOf(fault: Fault): number {
  return PRIORS[fault].odds / waysOf(fault).length
}

const none: Hypothesis = { faults: [], ways: [], prior: 1 }
const singles = FAULTS.flatMap((fault) =>
  waysOf(fault).map((way): Hypothesis => ({ faults: [fault], ways: [way], prior: priorOf(fault) })),
)
const pairs = FAULTS.flatMap((a, index) =>
  FAULTS.slice(index + 1)
    .filter((b) => canHoldTogether(a, b))
    .flatMap((b) =>
      waysOf(a).flatMap((one) =>
        waysOf(b).map((other): Hypothesis => ({
          faults: [a, b],
          ways: [one, other],
          prior: priorOf(a) * priorOf(b) * PAIR_FACTOR,
        })),
      ),
    ),
)

/** All of them, in an order that the arrays below share; the first is "no fault". */
export const HYPOTHESES: readonly Hypothesis[] = [none, ...singles, ...pairs]

/** For each fault, the indexes of the hypotheses that hold it. */
export const WITH_FAULT: ReadonlyMap<Fault, readonly number[]> = new Map(
  FAULTS.map((fault) => [
    fault,
    HYPOTHESES.flatMap(({ faults }, index) => (faults.includes(fault) ? [index] : [])),
  ]),
)

const isShift = (entry: Entry): entry is Extract<Entry, { shift: number }> => 'shift' in entry

function shiftOf(way: Way, channel: Channel): { shift: number; variance: number } {
  let [shift, variance] = [0, 0]
  for (const entry of EVIDENCE_TABLE[way]) {
    if (!isShift(entry) || entry.on !== channel) continue
    shift += entry.shift
    variance += entry.spread ** 2
  }
  return { shift, variance }
}

/**
 * How far each hypothesis moves a channel beyond the baseline: the shifts of two faults add, and so do variances. Many
 * hypotheses move it alike, so that the values stand by class; `classOf` says to which class a hypothesis belongs.
 */
export interface ChannelShifts {
  shift: Float64Array
  variance: Float64Array
  /** How much of the shift comes by way of the dose. */
  byDose: Float64Array
  classOf: Uint16Array
}

function shiftsOf(channel: Channel): ChannelShifts {
  const classes = new Map<string, { at: number; shift: number; variance: number; byDose: number }>()
  const classOf = Uint16Array.from(HYPOTHESES, ({ faults, ways }) => {
    const parts = ways.map((way, index) => ({ ...shiftOf(way, channel), fault: faults[index] }))
    const byDose = parts.filter(({ fault }) => fault === 'dose-low' || fault === 'dose-high')
    const sums = {
      at: classes.size,
      shift: sum(parts, 'shift'),
      variance: sum(parts, 'variance'),
      byDose: sum(byDose, 'shift'),
    }
    const key = [sums.shift, sums.variance, sums.byDose].map((each) => each.toFixed(9)).join()
    const found = classes.get(key) ?? sums
    classes.set(key, found)
    return found.at
  })
  const all = [...classes.values()]
  const column = (which: 'shift' | 'variance' | 'byDose') => Float64Array.from(all, (each) => each[which])
  return { shift: column('shift'), variance: column('variance'), byDose: column('byDose'), classOf }
}

function sum<K extends string>(parts: readonly Record<K, number>[], which: K): number {
  return parts.reduce((total, part) => total + part[which], 0)
}

/** By channel. */
export const SHIFTS = Object.fromEntries(
  CHANNELS.map((channel) => [channel, shiftsOf(channel)]),
  // Object.fromEntries forgets that the keys are exactly the channels.
) as Record<Channel, ChannelShifts>

/** The classes of what differs from hypothesis to hypothesis. */
export const EACH_ITS_OWN = Uint16Array.from(HYPOTHESES, (_, at) => at)

function chanceOf(way: Way, feature: Shown): number {
  for (const entry of EVIDENCE_TABLE[way]) {
    if (!isShift(entry) && entry.on === feature) return entry.chance
  }
  return 0
}

/** Any fault may show it by itself, or it comes without any (noisy-or; J. Pearl, "Probabilistic Reasoning", 1988, §4.3.2). */
function shownChance(feature: Shown, ways: readonly Way[]): number {
  const notSeen = ways.reduce((product, way) => product * (1 - chanceOf(way, feature)), 1)
  return 1 - notSeen * (1 - BY_ITSELF[feature])
}

/** Chance of each feature under each hypothesis. */
export const CHANCES = Object.fromEntries(
  // The record's keys are exactly the features.
  (Object.keys(BY_ITSELF) as Shown[]).map((feature) => [
    feature,
    Float64Array.from(HYPOTHESES, ({ ways }) => shownChance(feature, ways)),
  ]),
) as Record<Shown, Float64Array>

const WAYS = FAULTS.flatMap(waysOf)
/** In how many ways all faults together show. */
export const WAY_COUNT = WAYS.length
const indexesAmong = <T>(all: readonly T[], ofHypothesis: (hypothesis: Hypothesis) => T | undefined) =>
  Int16Array.from(HYPOTHESES, (hypothesis) => {
    const one = ofHypothesis(hypothesis)
    return one === undefined ? all.length : all.indexOf(one)
  })
/** The first and second way of each hypothesis, as indexes into all; where it has fewer, one beyond the last. */
const [FIRST_WAY, SECOND_WAY] = [
  indexesAmong(WAYS, ({ ways }) => ways[0]),
  indexesAmong(WAYS, ({ ways }) => ways[1]),
]
/** The first and second fault of each hypothesis, as indexes into `FAULTS`; where it has fewer, one beyond the last. */
export const [FIRST_FAULT, SECOND_FAULT] = [
  indexesAmong(FAULTS, ({ faults }) => faults[0]),
  indexesAmong(FAULTS, ({ faults }) => faults[1]),
]

/** What a factor for each way (with 1 beyond the last) makes of one hypothesis. */
export function ofWays(factors: Float64Array, at: number): number {
  return (factors[FIRST_WAY[at] ?? 0] ?? 1) * (factors[SECOND_WAY[at] ?? 0] ?? 1)
}

/** A factor for every hypothesis, from one for each of some ways; what is not among them is left as it is. */
export function factorByWay(factors: ReadonlyMap<Way, number>): Float64Array {
  const all = Float64Array.from([...WAYS.map((way) => factors.get(way) ?? 1), 1])
  return new Float64Array(HYPOTHESES.length).map((_, at) => ofWays(all, at))
}

/** A factor for every hypothesis, from one for each fault. */
export function factorByFault(factorOf: (fault: Fault) => number): Float64Array {
  const all = Float64Array.from([...FAULTS.map(factorOf), 1])
  return new Float64Array(HYPOTHESES.length).map(
    (_, at) => (all[FIRST_FAULT[at] ?? 0] ?? 1) * (all[SECOND_FAULT[at] ?? 0] ?? 1),
  )
}

/**
 * What it says of each way that features were looked for and not there, as 1 − chance: an absence splits into a factor
 * for each way, so that any number of them cost no more than one.
 */
export function absenceFactors(features: readonly Shown[]): Float64Array {
  const factors = WAYS.map((way) =>
    features.reduce((product, feature) => product * (1 - chanceOf(way, feature)), 1),
  )
  return Float64Array.from([...factors, 1])
}
