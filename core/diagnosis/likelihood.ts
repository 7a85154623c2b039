import {
  type Evidence,
  OPTION_SETS,
  type OptionSet,
  type Shown,
  type WordSign,
  isWord,
} from './evidenceTypes.ts'
import { CHANCES, EACH_ITS_OWN, absenceFactors } from './hypotheses.ts'
import type { Places, PlacesOf } from './places.ts'
import { GOOD, WORD_ERROR, WORD_OF, type WordOfChannel } from './words.ts'

/** No single piece of evidence speaks louder than this against anything: eyes and scales err. */
const LEAST_RATIO = 1e-3
const DEGREES = 8

/**
 * Student-t density with eight degrees of freedom, but for a constant: like a normal one near its middle, with tails so
 * heavy that one odd reading can't decide alone (K. L. Lange et al., J. Amer. Stat. Assoc. 84, 1989).
 */
function density(from: number, variance: number): number {
  const wide = variance + (from * from) / DEGREES
  const share = variance / wide
  const square = share * share
  return (square * square) / Math.sqrt(wide)
}

/** P(T ≤ t) for the same, as the finite sum for even degrees of freedom (M. Abramowitz & I. Stegun, 26.7.4); `from` is value − mean. */
export function shareBelow(from: number, variance: number): number {
  const sine = from / Math.sqrt(DEGREES * variance + from * from)
  const c = 1 - sine * sine
  return 0.5 + (sine / 2) * (1 + c * (1 / 2 + c * (3 / 8 + (c * 5) / 16)))
}

/**
 * What one piece of evidence says: a column of likelihoods by class of hypotheses, relative to the one that makes it
 * likeliest; or, for what was looked for and not there, a factor for each way.
 */
export type Says = { column: Float64Array; classOf: Uint16Array } | { absence: Float64Array }

/**
 * What a piece of evidence says of each hypothesis.
 * @param scratch where a column may be written that is not kept; left out, it gets a place of its own
 */
export function whatItSays(evidence: Evidence, placesOf: PlacesOf, scratch?: Float64Array): Says {
  switch (evidence.kind) {
    case 'measured':
      return measured(evidence, placesOf(evidence.key), scratch)
    case 'yes-no':
      if (isWord(evidence.key)) return word(evidence.key, evidence.isSo, placesOf, scratch)
      return evidence.isSo ? SEEN[evidence.key] : NOT_SEEN[evidence.key]
    case 'choice':
      return evidence.option === null ? USUAL[evidence.key] : SEEN[evidence.option]
  }
}

function relative(values: Float64Array, count: number): Float64Array {
  let most = 0
  for (let at = 0; at < count; at += 1) if ((values[at] ?? 0) > most) most = values[at] ?? 0
  const scale = 1 / most
  for (let at = 0; at < count; at += 1) {
    const ratio = (values[at] ?? 0) * scale
    values[at] = ratio < LEAST_RATIO ? LEAST_RATIO : ratio
  }
  return values
}

// What doesn't depend on the shot is worked out once. The records' keys are exactly the features shown.
const SHOWN = Object.keys(CHANCES) as Shown[]
const ofShown = (says: (feature: Shown) => Says) =>
  Object.fromEntries(SHOWN.map((feature) => [feature, says(feature)])) as Record<Shown, Says>
const SEEN = ofShown((feature) => ({
  column: relative(CHANCES[feature].slice(), EACH_ITS_OWN.length),
  classOf: EACH_ITS_OWN,
}))
const NOT_SEEN = ofShown((feature) => ({ absence: absenceFactors([feature]) }))
const USUAL: Record<OptionSet, Says> = {
  tilt: { absence: absenceFactors(OPTION_SETS.tilt) },
  stream: { absence: absenceFactors(OPTION_SETS.stream) },
  puck: { absence: absenceFactors(OPTION_SETS.puck) },
}

function measured(
  { value, spread, bound }: Extract<Evidence, { kind: 'measured' }>,
  { count, mean, variance, classOf }: Places,
  scratch: Float64Array | undefined,
): Says {
  const values = scratch ?? new Float64Array(count)
  const own = spread * spread
  if (bound !== null) {
    setBeyond({ mean, variance, count }, { side: bound === 'at-most' ? -1 : 1, from: value, own }, values)
    return { column: relative(values, count), classOf }
  }
  for (let at = 0; at < count; at += 1)
    values[at] = density(value - (mean[at] ?? 0), (variance[at] ?? 1) + own)
  return { column: relative(values, count), classOf }
}

/** A value that lies beyond `from`, on that side of it, give or take its own variance. */
interface Beyond {
  side: -1 | 1
  from: number
  own: number
}

/** How likely a value lies so, by class. */
function setBeyond(
  { mean, variance, count }: Omit<Places, 'classOf'>,
  { side, from, own }: Beyond,
  values: Float64Array,
): void {
  for (let at = 0; at < count; at += 1)
    values[at] = shareBelow(side * ((mean[at] ?? 0) - from), (variance[at] ?? 1) + own)
}

/** What a word says that was said, or was asked for and not said: what is so is said, but for a few times. */
function word(key: WordSign, isSo: boolean, placesOf: PlacesOf, scratch: Float64Array | undefined): Says {
  const places = placesOf(key === 'tastes-good' ? 'lean' : WORD_OF[key].channel)
  const { count, classOf } = places
  const values = scratch ?? new Float64Array(count)
  if (key === 'tastes-good') setGood(places, placesOf('sweet'), isSo, values)
  else setBeyond(places, beyondOf(WORD_OF[key], isSo), values)
  for (let at = 0; at < count; at += 1) values[at] = WORD_ERROR + (1 - 2 * WORD_ERROR) * (values[at] ?? 0)
  return { column: relative(values, count), classOf }
}

/** Not said, the value lies on the other side. */
function beyondOf({ side, from, spread }: WordOfChannel, isSo: boolean): Beyond {
  return { side: isSo ? side : side === 1 ? -1 : 1, from, own: spread * spread }
}

/** A cup is called good that leans to neither side and is sweet. Leans stand hypothesis by hypothesis. */
function setGood(lean: Places, sweet: Places, isSo: boolean, values: Float64Array): void {
  for (let at = 0; at < lean.count; at += 1) {
    const mean = lean.mean[at] ?? 0
    const variance = (lean.variance[at] ?? 1) + GOOD.variance
    const its = sweet.classOf[at] ?? 0
    const sweeter = (sweet.mean[its] ?? 0) - GOOD.fromSweet
    const isSweet = shareBelow(sweeter, (sweet.variance[its] ?? 1) + GOOD.variance)
    const isBetween = shareBelow(GOOD.lean - mean, variance) - shareBelow(-GOOD.lean - mean, variance)
    values[at] = isSo ? isSweet * isBetween : 1 - isSweet * isBetween
  }
}
