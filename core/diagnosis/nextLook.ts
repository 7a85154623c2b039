import type { ShotContext } from '../reading/context.ts'
import type { Readings } from '../reading/types.ts'
import { isPulled } from '../shot/facts.ts'
import type { Sign } from '../shot/signs.ts'
import { type FocusPart, isLookedAt } from '../training/focus.ts'
import type { Channel, EvidenceKey, FlawSeen } from './evidenceTypes.ts'
import { OPTION_SETS, isWord } from './evidenceTypes.ts'
import { CHANCES } from './hypotheses.ts'
import type { Inference } from './infer.ts'
import { shareBelow } from './likelihood.ts'
import type { Observation } from './types.ts'

/** A look, and the drop in entropy to expect of it, in nats. */
export interface TellingLook {
  observation: Observation
  gain: number
}

/** A look, and what it would show: values, things seen, or one of several: the bar has a place to enter each (`SIGN_ENTRIES`). */
interface Look {
  channels?: readonly Channel[]
  features?: readonly (Sign | FlawSeen)[]
  choice?: keyof typeof OPTION_SETS
  /** Whether it can still be made once the shot is through. */
  isLater?: true
}

const LOOKS: Record<Observation, Look> = {
  'weigh-dose': { channels: ['dose'] },
  'weigh-cup': { channels: ['yield'], isLater: true },
  'time-it': { channels: ['time'] },
  'mark-first-drop': { channels: ['first-drop'] },
  'taste-it': { channels: ['sour', 'bitter', 'sweet'], isLater: true },
  'trainer-taste': { channels: ['sour', 'bitter', 'sweet'], isLater: true },
  'watch-stream': { choice: 'stream', features: ['several-streams', 'early-blonding', 'sides-change'] },
  'look-underneath': { features: ['dry-patches'] },
  'read-puck': { choice: 'puck', isLater: true },
  'look-at-crema': { features: ['thin-crema', 'foamy-crema'], isLater: true },
  'read-gauge': { features: ['pressure-low', 'pressure-high'] },
  'check-heat': { features: ['seen-cold', 'first-shot-of-day'], isLater: true },
  'check-basket': { features: ['seen-wet', 'seen-dirty'] },
  'check-button': { features: ['seen-wrong-basket'], isLater: true },
  'check-purge': { features: ['seen-unpurged'], isLater: true },
  'check-bed': { features: ['seen-uneven-bed'] },
  'check-tamp': { choice: 'tilt', features: ['seen-unsettled'] },
  'flush-and-look': { features: ['steam-at-flush'], isLater: true },
  'look-at-beans': { features: ['oily-dark-beans', 'pre-ground-coffee'], isLater: true },
  'name-the-taste': {
    features: ['tastes-rancid', 'tastes-ashy', 'tastes-papery', 'tastes-flat'],
    isLater: true,
  },
  'check-headspace': { features: ['screen-mark'] },
  'ask-others': { features: ['same-for-everyone', 'this-group-only'], isLater: true },
  'recall-settings': {
    features: ['same-at-every-grind', 'between-two-settings', 'yield-off-every-time'],
    isLater: true,
  },
  'ask-roast-date': { channels: ['age'], isLater: true },
  'pull-another': { features: ['alternates', 'times-scatter', 'times-fall'] },
}

/** What of a focus a look belongs to; null for those that ask nothing of hands or eyes. */
const PART_OF_LOOK: Record<Observation, FocusPart | null> = {
  'weigh-dose': 'dose',
  'weigh-cup': 'yield',
  'time-it': 'time',
  'mark-first-drop': 'time',
  'taste-it': 'taste',
  'trainer-taste': 'taste',
  'watch-stream': 'stream',
  'look-underneath': 'stream',
  'read-puck': 'puck',
  'look-at-crema': 'stream',
  'read-gauge': 'stream',
  'check-heat': 'ready',
  'check-basket': 'ready',
  'check-button': 'ready',
  'check-purge': 'bed',
  'check-bed': 'bed',
  'check-tamp': 'tamp',
  'flush-and-look': 'ready',
  'look-at-beans': 'signs',
  'name-the-taste': 'taste',
  'check-headspace': 'tamp',
  'ask-others': 'signs',
  'recall-settings': 'signs',
  'ask-roast-date': null,
  'pull-another': null,
}

/** Whether a look is among what the day looks at. */
export function isLookInFocus(observation: Observation, { focus }: Pick<ShotContext, 'focus'>): boolean {
  const part = PART_OF_LOOK[observation]
  return part === null || isLookedAt(focus, part)
}

/** Looks into a cup or at a bed that a choke doesn't give, or that nobody should make under pressure. */
const NOT_OF_A_CHOKE: ReadonlySet<Observation> = new Set([
  'taste-it',
  'trainer-taste',
  'weigh-cup',
  'look-at-crema',
  'name-the-taste',
  'read-puck',
  'flush-and-look',
])

/** Whether a look can be made of this shot, or of the next; null where it can't, or its answer is known. */
export function whenToLook(observation: Observation, readings: Readings): 'still' | 'next-shot' | null {
  const { facts, recipe, context } = readings.of
  const hasTasted = facts.taste.sour !== null && facts.taste.bitter !== null
  const byVolume = (recipe.school?.volume ?? null) !== null
  const isChoke = readings.flow.state === 'choking' || facts.abandoned !== null
  const isKnown: Partial<Record<Observation, boolean>> = {
    'weigh-dose': facts.dose !== null || byVolume,
    'weigh-cup': facts.cup !== null || byVolume,
    'time-it': facts.clock !== null,
    'mark-first-drop': facts.clock !== null && facts.clock.firstDrop !== 'missed',
    'taste-it': hasTasted,
    'trainer-taste': !hasTasted || context.tongue === 'trusted',
    // What a learner names moves nothing.
    'name-the-taste': context.tongue === 'learning',
    'check-heat': facts.machineHot !== null,
    'ask-roast-date': context.coffeeAgeDays !== null,
  }
  if (!isLookInFocus(observation, context)) return null
  if (isKnown[observation] === true || (isChoke && NOT_OF_A_CHOKE.has(observation))) return null
  return !isPulled(facts) || LOOKS[observation].isLater === true ? 'still' : 'next-shot'
}

/** Between which values a measurement is told apart, in its channel’s unit. */
const EDGES: Record<Channel, readonly number[]> = {
  dose: [-0.6, -0.3, 0.3, 0.6],
  time: [-0.5, -0.22, -0.1, 0.1, 0.22, 0.5],
  'first-drop': [-0.4, -0.15, 0.15, 0.4],
  yield: [-0.35, -0.1, 0.1, 0.35],
  sour: [3, 4.5, 6.5],
  sweet: [4, 5.5, 7],
  bitter: [3.2, 4.5, 6.5],
  body: [4, 5.5, 7],
  dryness: [3, 4.5, 6],
  age: [1.8, 2.4, 3.3, 3.8],
}
/** Hypotheses less likely than this don't matter for what to look at. */
const LEAST = 0.01

/**
 * The look that would tell most: the one with the largest expected drop in entropy over what may be behind the shot,
 * that is the largest mutual information (D. V. Lindley, Ann. Math. Stat. 27, 1956), in nats; best first. A look that
 * shows several things counts as its most telling one.
 */
export function tellingLooks(
  { placesOf }: Pick<Inference, 'placesOf'>,
  posterior: Float64Array,
  noted: ReadonlySet<EvidenceKey>,
  isAsked: (observation: Observation) => boolean = () => true,
): TellingLook[] {
  const likely: number[] = []
  for (let at = 0; at < posterior.length; at += 1) if ((posterior[at] ?? 0) > LEAST) likely.push(at)
  const gain = (outcomes: readonly ((at: number) => number)[]) => information(posterior, likely, outcomes)
  return ALL_LOOKS.filter(
    ({ observation, shows }) => isAsked(observation) && !shows.every((key) => noted.has(key)),
  )
    .map(({ observation, look }) => {
      const gains = [
        ...(look.channels ?? [])
          .filter((key) => !noted.has(key))
          .map((key) => gain(bins(key, placesOf, likely))),
        ...(look.features ?? [])
          .filter((key) => !noted.has(key))
          .map((key) => yesNoInformation(key, posterior, likely)),
        ...(look.choice === undefined || noted.has(look.choice) ? [] : [gain(options(look.choice))]),
      ]
      return { observation, gain: Math.max(0, ...gains) }
    })
    .sort((a, b) => b.gain - a.gain)
}

/** Each look with all that it would show. */
const ALL_LOOKS = Object.entries(LOOKS).map(([observation, look]) => {
  const { channels = [], features = [], choice } = look
  const shows: EvidenceKey[] = [...channels, ...features, ...(choice === undefined ? [] : [choice])]
  // The record's keys are observations.
  return { observation: observation as Observation, look, shows }
})

/** What a yes or no would tell; what a chance leaves open of it is worked out once for each hypothesis. */
function yesNoInformation(
  feature: Sign | FlawSeen,
  posterior: Float64Array,
  likely: readonly number[],
): number {
  if (isWord(feature)) return 0
  const [chances, open] = [CHANCES[feature], LEFT_OPEN[feature]]
  let [total, yes, left] = [0, 0, 0]
  for (const at of likely) {
    const probability = posterior[at] ?? 0
    total += probability
    yes += probability * (chances[at] ?? 0)
    left += probability * (open[at] ?? 0)
  }
  return total * entropy(yes / total) - left
}

/** Entropy of a yes or no, in nats. */
function entropy(chance: number): number {
  return -chance * Math.log(chance) - (1 - chance) * Math.log(1 - chance)
}

const LEFT_OPEN = Object.fromEntries(
  Object.entries(CHANCES).map(([feature, chances]) => [feature, chances.map(entropy)]),
  // The keys are exactly the features shown.
) as typeof CHANCES

function options(set: keyof typeof OPTION_SETS): ((at: number) => number)[] {
  const chances = OPTION_SETS[set].map((option) => (at: number) => CHANCES[option][at] ?? 0)
  return [...chances, (at) => chances.reduce((left, chance) => left * (1 - chance(at)), 1)]
}

/** Chances of each class of values, for the hypotheses that matter: each edge's share is worked out once. */
function bins(
  channel: Channel,
  placesOf: Inference['placesOf'],
  likely: readonly number[],
): ((at: number) => number)[] {
  const { mean, variance, classOf } = placesOf(channel)
  const below = EDGES[channel].map((edge) => {
    const shares = new Map<number, number>()
    for (const at of likely) {
      const its = classOf[at] ?? 0
      if (!shares.has(its)) shares.set(its, shareBelow(edge - (mean[its] ?? 0), variance[its] ?? 1))
    }
    return (at: number) => shares.get(classOf[at] ?? 0) ?? 0
  })
  const upTo = [() => 0, ...below]
  const from = [...below, () => 1]
  return from.map((share, index) => (at: number) => share(at) - (upTo[index]?.(at) ?? 0))
}

function information(
  posterior: Float64Array,
  likely: readonly number[],
  outcomes: readonly ((at: number) => number)[],
): number {
  let sum = 0
  for (const outcome of outcomes) {
    let [total, weighted] = [0, 0]
    for (const at of likely) {
      const chance = Math.max(1e-9, outcome(at))
      const probability = posterior[at] ?? 0
      total += probability * chance
      weighted += probability * chance * Math.log(chance)
    }
    sum += weighted - total * Math.log(total)
  }
  return sum
}

/** Every sign that a look asks for. */
export const SIGNS_SHOWN_BY_LOOKS: ReadonlySet<string> = new Set(
  Object.values(LOOKS).flatMap(({ features = [] }) => features),
)
