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
export interface Places extends Room {
  /** How many classes there are; what stands beyond them in the arrays means nothing. */
  count: number
  classOf: Uint16Array
}

/** Where means and variances are written. */
interface Room {
  mean: Float64Array
  variance: Float64Array
}

/** What is worked out on the way to places. */
type OnTheWay = 'reach' | 'yield-reached' | 'following' | 'first-drop-beyond-time'

/** Room for the places of something, as many as it has classes. */
export type RoomFor = (what: Placed | OnTheWay, count: number) => Room

const newRoom: RoomFor = (_, count) => ({ mean: new Float64Array(count), variance: new Float64Array(count) })

/**
 * Room that is used again for every shot, since to fetch new memory takes longer than to fill it. What is written there
 * holds only until the next shot.
 */
export function roomUsedAgain(): RoomFor {
  const rooms = new Map<Placed | OnTheWay, Room>()
  return (what) => {
    const room = rooms.get(what) ?? newRoom(what, EACH_ITS_OWN.length)
    rooms.set(what, room)
    return room
  }
}

/** Dose acts on time by about this much in ln per g. */
const TIME_PER_G = THRESHOLDS.doseLnPerG
/** What a time that is only a bound leaves open of the first drop, as variance of its ln. */
const BOUND_VARIANCE = 0.36
const [TASTE_LEAST, TASTE_MOST] = [0.5, 9.6]
const BY_HYPOTHESIS = { count: EACH_ITS_OWN.length, classOf: EACH_ITS_OWN }
const ONE_FOR_ALL = { count: 1, classOf: new Uint16Array(EACH_ITS_OWN.length) }

/** A channel, or what two of them make: the lean is bitter − sour, harshness is bitter + dryness. */
export type Placed = Channel | 'lean' | 'harshness'
/** Where each hypothesis puts a channel. */
export type PlacesOf = (what: Placed) => Places

/**
 * Places of everything, each worked out when it is first asked for.
 * @param roomFor where they are written; left out, they can be kept
 */
export function placesFor(known: Known, roomFor = newRoom): PlacesOf {
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
        return combined(what, [placesOf('bitter'), placesOf('sour')], -1, roomFor)
      case 'harshness':
        return combined(what, [placesOf('bitter'), placesOf('dryness')], 1, roomFor)
      case 'dose':
      case 'yield':
        return shifted(what, { mean: 0, scale: 1 }, roomFor)
      case 'time':
        return timePlaces(known, roomFor)
      case 'first-drop':
        return firstDropPlaces(known, placesOf, roomFor)
      case 'age':
        return agePlaces(known.freshness, roomFor)
      default:
        reach ??= reachFor(known, placesOf, roomFor)
        return tastePlaces(what, reach, roomFor)
    }
  }
  return placesOf
}

function shifted(
  channel: Channel,
  { mean: usual, scale, spread = BASELINE[channel].spread }: { mean: number; scale: number; spread?: number },
  roomFor: RoomFor,
): Places {
  const { shift, variance: own, classOf } = SHIFTS[channel]
  const count = shift.length
  const { mean, variance } = roomFor(channel, count)
  for (let at = 0; at < count; at += 1) {
    mean[at] = usual + scale * (shift[at] ?? 0)
    variance[at] = spread * spread + (own[at] ?? 0)
  }
  return { count, mean, variance, classOf }
}

function timePlaces({ doseG, halfWindowLn }: Known, roomFor: RoomFor): Places {
  const spread = BASELINE.time.spread * halfWindowLn
  const places = shifted('time', { mean: 0, scale: 1, spread }, roomFor)
  if (doseG === null) return places
  // A dose that was weighed says itself how far it shifts the time.
  const { byDose } = SHIFTS.time
  for (let at = 0; at < byDose.length; at += 1) {
    places.mean[at] = (places.mean[at] ?? 0) - (byDose[at] ?? 0) + TIME_PER_G * doseG
  }
  return places
}

/** Ages follow the coffee's own window: a cause says how far outside it. */
function agePlaces({ restDays, usableUntilDays }: FreshnessWindow, roomFor: RoomFor): Places {
  const usual = Math.log(1 + (restDays + usableUntilDays) * 0.42)
  const scale = Math.log((1 + usableUntilDays) / (1 + restDays)) / Math.log(6)
  return shifted('age', { mean: usual, scale }, roomFor)
}

function firstDropPlaces({ timeLn, isTimeBound }: Known, placesOf: PlacesOf, roomFor: RoomFor): Places {
  const own = shifted('first-drop', { mean: 0, scale: 1 }, (_, count) =>
    roomFor('first-drop-beyond-time', count),
  )
  if (timeLn !== null) {
    for (let at = 0; at < own.count; at += 1) {
      own.mean[at] = (own.mean[at] ?? 0) + FIRST_DROP_PER_TIME * timeLn
      // Nobody knows how much further out it would have gone.
      if (isTimeBound) own.variance[at] = (own.variance[at] ?? 0) + BOUND_VARIANCE
    }
    return own
  }
  return combined('first-drop', [own, placesOf('time')], FIRST_DROP_PER_TIME, roomFor)
}

/** Where one lies with so many times another added, hypothesis by hypothesis. */
function combined(
  what: Placed,
  [one, other]: readonly [Places, Places],
  times: number,
  roomFor: RoomFor,
): Places {
  const count = EACH_ITS_OWN.length
  const { mean, variance } = roomFor(what, count)
  for (let at = 0; at < count; at += 1) {
    mean[at] = meanAt(one, at) + times * meanAt(other, at)
    variance[at] = varianceAt(one, at) + times * times * varianceAt(other, at)
  }
  return { count, mean, variance, classOf: EACH_ITS_OWN }
}

/** How far extraction went, and how unsure that is, by class of hypotheses: one for all where nothing of it is open. */
interface Reach {
  count: number
  ln: Float64Array
  yieldLn: Float64Array
  variance: Float64Array
  classOf: Uint16Array
}

function reachFor(known: Known, placesOf: PlacesOf, roomFor: RoomFor): Reach {
  const { timeLn, yieldLn: knownLn, doseG, targetDoseG } = known
  const time = timeLn === null ? placesOf('time') : null
  const cup = knownLn === null ? placesOf('yield') : null
  const dose = doseG === null ? placesOf('dose') : null
  const open = [time, cup, dose].filter((each) => each !== null)
  const [only = ONE_FOR_ALL] = open
  const { count, classOf } = open.length > 1 ? BY_HYPOTHESIS : only
  // Where one is open, its classes are the reach's.
  const at = (places: Places | null, its: number, values: 'mean' | 'variance') =>
    places === null ? 0 : (places[values][open.length > 1 ? (places.classOf[its] ?? 0) : its] ?? 0)
  const { mean: ln, variance } = roomFor('reach', count)
  const { mean: yieldLn } = roomFor('yield-reached', count)
  for (let its = 0; its < count; its += 1) {
    const cupLn = knownLn ?? at(cup, its, 'mean')
    const doseLn = (doseG ?? at(dose, its, 'mean')) / targetDoseG
    ln[its] = reachOf({ timeLn: timeLn ?? at(time, its, 'mean'), yieldLn: cupLn, doseLn })
    yieldLn[its] = cupLn
    variance[its] = at(time, its, 'variance') + at(cup, its, 'variance')
  }
  return { count, ln, yieldLn, variance, classOf }
}

function meanAt({ mean, classOf }: Places, at: number): number {
  return mean[classOf[at] ?? 0] ?? 0
}

function varianceAt({ variance, classOf }: Places, at: number): number {
  return variance[classOf[at] ?? 0] ?? 0
}

/** Taste follows the reach; where that is one value, all hypotheses of a class follow alike. */
function tastePlaces(axis: FollowingAxis, reach: Reach, roomFor: RoomFor): Places {
  const { shift, variance: own, classOf } = SHIFTS[axis]
  const isAlike = reach.count === 1
  const count = isAlike ? shift.length : EACH_ITS_OWN.length
  // All that the loop reads stands beside it: looked up in it, it takes several times as long.
  const { mean, variance } = roomFor(axis, count)
  const { mean: followed, variance: shared } = followingOf(axis, reach, roomFor)
  const { mean: usual } = BASELINE[axis]
  const ownAt = isAlike ? EACH_ITS_OWN : classOf
  const reachAt = reach.classOf
  for (let at = 0; at < count; at += 1) {
    const mine = ownAt[at] ?? 0
    const its = reachAt[at] ?? 0
    const moved = (shift[mine] ?? 0) + (followed[its] ?? 0)
    const expected = usual + moved
    mean[at] = expected < TASTE_LEAST ? TASTE_LEAST : expected > TASTE_MOST ? TASTE_MOST : expected
    // The further out, the less sure.
    variance[at] = (own[mine] ?? 0) + (shared[its] ?? 0) + Math.min(1.2, 0.0225 * moved * moved)
  }
  return { count, mean, variance, classOf: isAlike ? classOf : EACH_ITS_OWN }
}

/** What an axis follows of the reach, by its classes, with the variance that all hypotheses share. */
function followingOf(axis: FollowingAxis, reach: Reach, roomFor: RoomFor): Room {
  const room = roomFor('following', reach.count)
  const [follow, { spread }] = [FOLLOWS[axis], BASELINE[axis]]
  const perReach = FOLLOWS_SPREAD[axis] * FOLLOWS_SPREAD[axis]
  for (let at = 0; at < reach.count; at += 1) {
    room.mean[at] = follow(reach.ln[at] ?? 0, reach.yieldLn[at] ?? 0)
    room.variance[at] = spread * spread + Math.min(9, perReach * (reach.variance[at] ?? 0))
  }
  return room
}
