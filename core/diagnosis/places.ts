import type { FreshnessWindow } from '../coffee/age.ts'
import { BASELINE } from './usual.ts'
import type { Channel } from './evidenceTypes.ts'
import { FIRST_DROP_PER_TIME, FOLLOWS, FOLLOWS_SPREAD, type FollowingAxis, reachOf } from './follows.ts'
import { THRESHOLDS } from '../thresholds.ts'
import { EACH_ITS_OWN, SHIFTS } from './hypotheses.ts'

/** What was measured and others follow from; null where it wasn't. */
export interface Known {
  doseG: number | null
  timeLn: number | null
  /** The time is only known to be at least, or at most, that. */
  isTimeBound: boolean
  yieldLn: number | null
  targetDoseG: number
  /** Half the recipe's window in ln: what counts as no miss. */
  halfWindowLn: number
  freshness: FreshnessWindow
}

/** Where a channel is to be expected, by class of hypotheses; `classOf` says to which class a hypothesis belongs. */
export interface Places {
  mean: Float64Array
  variance: Float64Array
  classOf: Uint16Array
}

/** Dose acts on time by about this much in ln per g. */
const TIME_PER_G = THRESHOLDS.doseLnPerG
/** What a time that is only a bound leaves open of the first drop, as variance of its ln. */
const BOUND_VARIANCE = 0.36
const [TASTE_LEAST, TASTE_MOST] = [0.5, 9.6]

/** A channel, or what two of them make: the lean is bitter − sour, harshness is bitter + dryness. */
export type Placed = Channel | 'lean' | 'harshness'
/** Where each hypothesis puts a channel. */
export type PlacesOf = (what: Placed) => Places

/** Places of everything, each worked out when it is first asked for. */
export function placesFor(known: Known): PlacesOf {
  const done = new Map<Placed, Places>()
  let reach: Reach | null = null
  const placesOf = (what: Placed): Places => {
    const found = done.get(what)
    if (found) return found
    const made = make(what)
    done.set(what, made)
    return made
  }
  const make = (what: Placed): Places => {
    switch (what) {
      case 'lean':
        return combined(placesOf('bitter'), placesOf('sour'), -1)
      case 'harshness':
        return combined(placesOf('bitter'), placesOf('dryness'), 1)
      case 'dose':
      case 'yield':
        return shifted(what, 0, BASELINE[what].spread ** 2, 1)
      case 'time':
        return timePlaces(known)
      case 'first-drop':
        return firstDropPlaces(known, placesOf)
      case 'age':
        return agePlaces(known.freshness)
      default:
        reach ??= reachFor(known, placesOf)
        return tastePlaces(what, reach)
    }
  }
  return placesOf
}

function shifted(channel: Channel, mean: number, variance: number, scale: number): Places {
  const { shift, variance: own, classOf } = SHIFTS[channel]
  const places = { mean: new Float64Array(shift.length), variance: new Float64Array(shift.length), classOf }
  for (let at = 0; at < shift.length; at += 1) {
    places.mean[at] = mean + scale * (shift[at] ?? 0)
    places.variance[at] = variance + (own[at] ?? 0)
  }
  return places
}

function timePlaces({ doseG, halfWindowLn }: Known): Places {
  const places = shifted('time', 0, (BASELINE.time.spread * halfWindowLn) ** 2, 1)
  if (doseG === null) return places
  // A dose that was weighed says itself how far it shifts the time.
  const { byDose } = SHIFTS.time
  for (let at = 0; at < byDose.length; at += 1) {
    places.mean[at] = (places.mean[at] ?? 0) - (byDose[at] ?? 0) + TIME_PER_G * doseG
  }
  return places
}

/** Ages follow the coffee's own window: a cause says how far outside it. */
function agePlaces({ restDays, usableUntilDays }: FreshnessWindow): Places {
  const usual = Math.log(1 + (restDays + usableUntilDays) * 0.42)
  const scale = Math.log((1 + usableUntilDays) / (1 + restDays)) / Math.log(6)
  return shifted('age', usual, BASELINE.age.spread ** 2, scale)
}

function firstDropPlaces({ timeLn, isTimeBound }: Known, placesOf: PlacesOf): Places {
  const own = shifted('first-drop', 0, BASELINE['first-drop'].spread ** 2, 1)
  if (timeLn !== null) {
    for (let at = 0; at < own.mean.length; at += 1) {
      own.mean[at] = (own.mean[at] ?? 0) + FIRST_DROP_PER_TIME * timeLn
      // Nobody knows how much further out it would have gone.
      if (isTimeBound) own.variance[at] = (own.variance[at] ?? 0) + BOUND_VARIANCE
    }
    return own
  }
  return combined(own, placesOf('time'), FIRST_DROP_PER_TIME)
}

/** Where one lies with so many times another added, hypothesis by hypothesis. */
function combined(one: Places, other: Places, times: number): Places {
  const count = EACH_ITS_OWN.length
  const [mean, variance] = [new Float64Array(count), new Float64Array(count)]
  for (let at = 0; at < count; at += 1) {
    mean[at] = meanAt(one, at) + times * meanAt(other, at)
    variance[at] = varianceAt(one, at) + times * times * varianceAt(other, at)
  }
  return { mean, variance, classOf: EACH_ITS_OWN }
}

/** How far extraction went, and how unsure that is: one value for all, or one for each hypothesis. */
interface Reach {
  ln: Float64Array
  yieldLn: Float64Array
  variance: Float64Array
  isAlike: boolean
}

function reachFor(known: Known, placesOf: PlacesOf): Reach {
  const { timeLn, yieldLn, doseG, targetDoseG } = known
  const isAlike = timeLn !== null && yieldLn !== null && doseG !== null
  const count = isAlike ? 1 : EACH_ITS_OWN.length
  const time = timeLn === null ? placesOf('time') : null
  const cup = yieldLn === null ? placesOf('yield') : null
  const dose = doseG === null ? placesOf('dose') : null
  const reach: Reach = {
    ln: new Float64Array(count),
    yieldLn: new Float64Array(count),
    variance: new Float64Array(count),
    isAlike,
  }
  for (let at = 0; at < count; at += 1) {
    const cupLn = yieldLn ?? meanAt(cup, at)
    const doseLn = (doseG ?? meanAt(dose, at)) / targetDoseG
    reach.ln[at] = reachOf({ timeLn: timeLn ?? meanAt(time, at), yieldLn: cupLn, doseLn })
    reach.yieldLn[at] = cupLn
    reach.variance[at] = varianceAt(time, at) + varianceAt(cup, at)
  }
  return reach
}

function meanAt(places: Places | null, at: number): number {
  return places === null ? 0 : (places.mean[places.classOf[at] ?? 0] ?? 0)
}

function varianceAt(places: Places | null, at: number): number {
  return places === null ? 0 : (places.variance[places.classOf[at] ?? 0] ?? 0)
}

/** Taste follows the reach; where that is one value, all hypotheses of a class follow alike. */
function tastePlaces(axis: FollowingAxis, reach: Reach): Places {
  const { shift, variance: own, classOf } = SHIFTS[axis]
  const { mean: usual, spread } = BASELINE[axis]
  const follow = FOLLOWS[axis]
  const [base, perReach] = [spread * spread, FOLLOWS_SPREAD[axis] * FOLLOWS_SPREAD[axis]]
  const count = reach.isAlike ? shift.length : EACH_ITS_OWN.length
  const places = {
    mean: new Float64Array(count),
    variance: new Float64Array(count),
    classOf: reach.isAlike ? classOf : EACH_ITS_OWN,
  }
  for (let at = 0; at < count; at += 1) {
    const its = reach.isAlike ? 0 : at
    const mine = reach.isAlike ? at : (classOf[at] ?? 0)
    const moved = (shift[mine] ?? 0) + follow(reach.ln[its] ?? 0, reach.yieldLn[its] ?? 0)
    const mean = usual + moved
    places.mean[at] = mean < TASTE_LEAST ? TASTE_LEAST : mean > TASTE_MOST ? TASTE_MOST : mean
    // The further out, the less sure.
    const stretch = Math.min(1.2, 0.0225 * moved * moved)
    places.variance[at] =
      base + (own[mine] ?? 0) + Math.min(9, perReach * (reach.variance[its] ?? 0)) + stretch
  }
  return places
}
