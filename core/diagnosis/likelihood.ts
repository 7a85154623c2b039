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
import { BALANCE_WORDS, GOOD_FROM_SWEET, HARSH_FROM, WORDS_OF_CHANNELS, WORD_ERROR } from './words.ts'

/** No single piece of evidence speaks louder than this against anything: eyes and scales err. */
const LEAST_RATIO = 1e-3
const DEGREES = 8

/**
 * Student-t density with eight degrees of freedom, but for a constant: like a normal one near its middle, with tails so
 * heavy that one odd reading can't decide alone (K. L. Lange et al., J. Amer. Stat. Assoc. 84, 1989).
 */
function density(from: number, variance: number): number {
  const u = 1 + (from * from) / variance / DEGREES
  const square = u * u
  return 1 / (square * square * Math.sqrt(u * variance))
}

/** P(T ≤ t) for the same, as the finite sum for even degrees of freedom (M. Abramowitz & I. Stegun, 26.7.4); `from` is value − mean. */
export function shareBelow(from: number, variance: number): number {
  const t = from / Math.sqrt(variance)
  const sine = t / Math.sqrt(DEGREES + t * t)
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
      if (isWord(evidence.key)) {
        const { chances, classOf } = wordChances(evidence.key, placesOf)
        return { column: relative(yesOrNo(chances, evidence.isSo)), classOf }
      }
      return evidence.isSo
        ? { column: SEEN[evidence.key], classOf: EACH_ITS_OWN }
        : { absence: NOT_SEEN[evidence.key] }
    case 'choice':
      return evidence.option === null
        ? { absence: USUAL[evidence.key] }
        : { column: SEEN[evidence.option], classOf: EACH_ITS_OWN }
  }
}

function relative(values: Float64Array): Float64Array {
  let most = 0
  for (let at = 0; at < values.length; at += 1) if ((values[at] ?? 0) > most) most = values[at] ?? 0
  const scale = 1 / most
  for (let at = 0; at < values.length; at += 1) {
    const ratio = (values[at] ?? 0) * scale
    values[at] = ratio < LEAST_RATIO ? LEAST_RATIO : ratio
  }
  return values
}

function yesOrNo(chances: Float64Array, isSo: boolean): Float64Array {
  if (isSo) return chances
  for (let at = 0; at < chances.length; at += 1) chances[at] = 1 - (chances[at] ?? 0)
  return chances
}

// What doesn't depend on the shot is worked out once. The records' keys are exactly the features shown.
const SHOWN = Object.keys(CHANCES) as Shown[]
const SEEN = Object.fromEntries(
  SHOWN.map((feature) => [feature, relative(CHANCES[feature].slice())]),
) as Record<Shown, Float64Array>
const NOT_SEEN = Object.fromEntries(SHOWN.map((feature) => [feature, absenceFactors([feature])])) as Record<
  Shown,
  Float64Array
>
const USUAL: Record<OptionSet, Float64Array> = {
  tilt: absenceFactors(OPTION_SETS.tilt),
  stream: absenceFactors(OPTION_SETS.stream),
  puck: absenceFactors(OPTION_SETS.puck),
}

function measured(
  { value, spread, bound }: Extract<Evidence, { kind: 'measured' }>,
  { mean, variance, classOf }: Places,
  scratch: Float64Array | undefined,
): Says {
  const values = scratch?.subarray(0, mean.length) ?? new Float64Array(mean.length)
  const own = spread * spread
  for (let at = 0; at < mean.length; at += 1) {
    const wide = (variance[at] ?? 1) + own
    const from = value - (mean[at] ?? 0)
    if (bound === null) values[at] = density(from, wide)
    else values[at] = bound === 'at-most' ? shareBelow(from, wide) : 1 - shareBelow(from, wide)
  }
  return { column: relative(values), classOf }
}

/** Chance of a word under each class of hypotheses, from where the channel lies that it stands for. */
function wordChances(key: WordSign, placesOf: PlacesOf): { chances: Float64Array; classOf: Uint16Array } {
  const word = WORDS_OF_CHANNELS[key]
  if (word) {
    return spoken(placesOf(word.channel), (mean, variance) =>
      beyond(word.side, word.from - mean, variance + word.spread * word.spread),
    )
  }
  const balance = BALANCE_WORDS[key]
  if (balance) {
    return spoken(placesOf('lean'), (mean, variance) =>
      beyond(balance.side, balance.from - mean, variance + balance.spread * balance.spread),
    )
  }
  return key === 'tastes-good' ? goodChances(placesOf) : harshChances(placesOf)
}

function beyond(side: -1 | 1, from: number, variance: number): number {
  const below = shareBelow(from, variance)
  return side < 0 ? below : 1 - below
}

/** What is so is said, but for a few times. */
function spoken(
  { mean, variance, classOf }: Places,
  share: (mean: number, variance: number, at: number) => number,
) {
  const chances = new Float64Array(mean.length)
  for (let at = 0; at < mean.length; at += 1) {
    chances[at] = WORD_ERROR + (1 - 2 * WORD_ERROR) * share(mean[at] ?? 0, variance[at] ?? 1, at)
  }
  return { chances, classOf }
}

const [GOOD_LEAN, GOOD_VARIANCE] = [2.6, 0.6]

function goodChances(placesOf: PlacesOf) {
  const sweet = placesOf('sweet')
  return spoken(placesOf('lean'), (mean, variance, at) => {
    const its = sweet.classOf[at] ?? 0
    const sweetFrom = GOOD_FROM_SWEET - (sweet.mean[its] ?? 0)
    const isSweet = 1 - shareBelow(sweetFrom, (sweet.variance[its] ?? 1) + GOOD_VARIANCE)
    const wide = variance + GOOD_VARIANCE
    return isSweet * (shareBelow(GOOD_LEAN - mean, wide) - shareBelow(-GOOD_LEAN - mean, wide))
  })
}

function harshChances(placesOf: PlacesOf) {
  return spoken(placesOf('harshness'), (mean, variance) => 1 - shareBelow(HARSH_FROM - mean, variance + 1))
}
