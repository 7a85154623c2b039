import { type Cause, FAULTS } from './causes.ts'
import type { EvidenceOfShot } from './evidence.ts'
import type { Evidence, EvidenceKey } from './evidenceTypes.ts'
import {
  EACH_ITS_OWN,
  FIRST_FAULT,
  HYPOTHESES,
  SECOND_FAULT,
  WAY_COUNT,
  WITH_FAULT,
  ofWays,
} from './hypotheses.ts'
import { type Says, whatItSays } from './likelihood.ts'
import { type PlacesOf, placesFor, roomUsedAgain } from './places.ts'

/** A piece of evidence and what it did to the log-odds of a cause. */
export interface Contribution {
  key: EvidenceKey
  logOdds: number
}

/** A cause, and how likely it is that it holds, 0–1. */
export interface CauseProbability {
  cause: Cause
  probability: number
}

/** What is believed of a shot once its evidence is in. */
export interface Inference {
  /** Probability of each hypothesis; they sum to 1. */
  posterior: Float64Array
  /** Marginal probability of each cause, likeliest first. Two faults can hold at once, so these sum to 1 or more. */
  causes: readonly CauseProbability[]
  /** Where each channel is to be expected under each hypothesis. */
  placesOf: PlacesOf
  /** What each piece of evidence did to this cause's log-odds, all else in; the weightiest first. */
  contributions: (cause: Cause) => Contribution[]
}

const COUNT = HYPOTHESES.length
/** Hypotheses less likely than this have no say in how much a piece of evidence weighs. */
const LEAST_WEIGHED = 1e-7

/**
 * Exact inference: every hypothesis weighed by its prior and by the likelihood of each piece of evidence, which are
 * taken to be independent given the hypothesis, time and yield (D. J. Spiegelhalter & R. P. Knill-Jones, J. Roy. Stat.
 * Soc. A 147, 1984).
 * @param priorFactor what earlier shots say of each hypothesis; left out, they say nothing
 */
export function infer(evidence: EvidenceOfShot, priorFactor?: Float64Array): Inference {
  const posterior = weigh(evidence.items, placesFor(evidence.known, ROOM), priorFactor)
  // Whoever asks further finds places that stay.
  let kept: PlacesOf | undefined
  const placesOf: PlacesOf = (what) => (kept ??= placesFor(evidence.known))(what)
  return {
    posterior,
    get causes() {
      return marginals(posterior)
    },
    placesOf,
    contributions: (cause) =>
      contributionsTo(
        cause,
        posterior,
        evidence.items.map((item) => ({ key: item.key, says: whatItSays(item, placesOf) })),
      ),
  }
}

function weigh(
  items: readonly Evidence[],
  placesOf: PlacesOf,
  priorFactor: Float64Array | undefined,
): Float64Array {
  const weights = PRIORS.slice()
  const absences = ABSENCES.fill(1)
  for (const item of items) {
    const says = whatItSays(item, placesOf, SCRATCH)
    if (!('column' in says)) multiply(absences, says.absence)
    else if (says.classOf === EACH_ITS_OWN) multiply(weights, says.column)
    else multiplyByClass(weights, says.column, says.classOf)
  }
  if (priorFactor) multiply(weights, priorFactor)
  let total = 0
  for (let at = 0; at < COUNT; at += 1) {
    const weight = (weights[at] ?? 0) * ofWays(absences, at)
    weights[at] = weight
    total += weight
  }
  const scale = 1 / total
  for (let at = 0; at < COUNT; at += 1) weights[at] = (weights[at] ?? 0) * scale
  return weights
}

/** Columns are multiplied in one after the other, so that one place holds each in turn. */
const SCRATCH = new Float64Array(COUNT)
const ABSENCES = new Float64Array(WAY_COUNT + 1)
const ROOM = roomUsedAgain()

const PRIORS = Float64Array.from(HYPOTHESES, ({ prior }) => prior)

function multiply(weights: Float64Array, column: Float64Array): void {
  for (let at = 0; at < weights.length; at += 1) weights[at] = (weights[at] ?? 0) * (column[at] ?? 0)
}

function multiplyByClass(weights: Float64Array, column: Float64Array, classOf: Uint16Array): void {
  for (let at = 0; at < COUNT; at += 1) weights[at] = (weights[at] ?? 0) * (column[classOf[at] ?? 0] ?? 0)
}

function holdsAt(cause: Cause): readonly number[] {
  return cause === 'none' ? [0] : (WITH_FAULT.get(cause) ?? [])
}

/** Marginal probability of each cause, likeliest first. */
export function marginals(posterior: Float64Array): CauseProbability[] {
  // The last place takes what is of no fault.
  const sums = new Float64Array(FAULTS.length + 1)
  for (let at = 1; at < COUNT; at += 1) {
    const probability = posterior[at] ?? 0
    const [one, other] = [FIRST_FAULT[at] ?? 0, SECOND_FAULT[at] ?? 0]
    sums[one] = (sums[one] ?? 0) + probability
    sums[other] = (sums[other] ?? 0) + probability
  }
  const causes: CauseProbability[] = FAULTS.map((cause, at) => ({ cause, probability: sums[at] ?? 0 }))
  causes.push({ cause: 'none', probability: posterior[0] ?? 0 })
  return causes.sort((a, b) => b.probability - a.probability)
}

function contributionsTo(
  cause: Cause,
  posterior: Float64Array,
  says: readonly { key: EvidenceKey; says: Says }[],
): Contribution[] {
  const holds = new Uint8Array(COUNT)
  for (const at of holdsAt(cause)) holds[at] = 1
  const weighed: number[] = []
  let [so, not] = [Number.MIN_VALUE, Number.MIN_VALUE]
  for (let at = 0; at < COUNT; at += 1) {
    const weight = posterior[at] ?? 0
    if (weight < LEAST_WEIGHED) continue
    weighed.push(at)
    if (holds[at] === 1) so += weight
    else not += weight
  }
  const withAll = Math.log(so / not)
  return says
    .map(({ key, says: each }) => {
      let [soWithout, notWithout] = [so, not]
      // Only what this piece spoke against weighs more without it.
      for (const at of weighed) {
        const factor = factorAt(each, at)
        if (factor === 1) continue
        const weight = posterior[at] ?? 0
        const more = weight / factor - weight
        if (holds[at] === 1) soWithout += more
        else notWithout += more
      }
      return { key, logOdds: withAll - Math.log(soWithout / notWithout) }
    })
    .sort((a, b) => Math.abs(b.logOdds) - Math.abs(a.logOdds))
}

function factorAt(says: Says, at: number): number {
  return 'column' in says ? (says.column[says.classOf[at] ?? 0] ?? 1) : ofWays(says.absence, at)
}
