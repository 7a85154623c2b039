import type { GrinderScale } from '../equipment/equipment.ts'
import { median } from '../statistics/robust.ts'
import { THRESHOLDS } from '../thresholds.ts'
import { unbent } from './curve.ts'
import { groupedBy } from './groupedBy.ts'
import { type Observation, finenessOf } from './observations.ts'

/** What is believed of the straightened line at one fineness before this session's shots. */
export interface LevelBelief {
  /** 0 at the target. */
  place: number
  sd: number
}

/** What a first setting is taken from. */
export type LevelFrom = 'same-coffee-before' | 'like-coffees-before' | 'middle-of-scale'

/** Where the line is looked at, what that rests on, and what is believed there under each bend. */
export interface Level {
  fineness: number
  from: LevelFrom
  under: (bend: number, slope: number) => LevelBelief
}

/** From day to day, and for each day that passes, ln time at one setting wanders by about this much. */
const DAY_SD = 0.04
/** Half of that is how the day it was seen on lay, half how today lies. */
const HALF_DAY = DAY_SD ** 2 / 2
const PER_DAY_SD = 0.012
/** As a bag ages it runs faster. */
const PER_DAY_LN = -0.004
/** Coffees differ by about this much in ln time at one setting. */
const COFFEE_SD = 0.35
/** With nothing known it is taken to lie about where somebody began, or else mid-scale. */
const UNKNOWN_SD = 0.7
const NOISE_LN = THRESHOLDS.shotNoiseLn
/** Shots of practice say less of the grinder than those of a dial-in, where all else was kept. */
const PRACTICE_SD = 0.1

/**
 * What this grinder last did with this coffee; else with others; else that the target lies about where it was begun.
 * @param begunAt fineness of the session's first shot; null before it
 */
export function levelOf(
  earlier: readonly Observation[],
  coffeeId: string,
  elasticity: number,
  scale: GrinderScale,
  begunAt: number | null,
): Level {
  const usable = earlier.filter(({ bound }) => bound === null)
  const same = usable.filter((each) => each.coffeeId === coffeeId)
  const lined: Lined[] = (same.length > 0 ? same : usable).map((each) => ({
    ...each,
    atDoseLn: each.missLn - elasticity * each.doseLn,
  }))
  if (lined.length === 0) return begunAt === null ? midScale(scale) : unknownAt(begunAt)
  const fineness = median(lined.map((each) => each.fineness))
  return same.length > 0
    ? { fineness, from: 'same-coffee-before', under: (...line) => fromSameCoffee(lined, fineness, ...line) }
    : { fineness, from: 'like-coffees-before', under: (...line) => fromOthers(lined, fineness, ...line) }
}

interface Lined extends Observation {
  /** Its miss at the recipe's dose. */
  atDoseLn: number
}

function midScale(scale: GrinderScale): Level {
  const { minSetting, maxSetting } = scale
  const middle = (minSetting + maxSetting) / 2
  return unknownAt(finenessOf(middle, scale))
}

function unknownAt(fineness: number): Level {
  return { fineness, from: 'middle-of-scale', under: () => ({ place: 0, sd: UNKNOWN_SD }) }
}

/** Where a shot says that the line is at this fineness. */
function placeAt({ atDoseLn, fineness }: Lined, at: number, bend: number, slope: number): number {
  return unbent(atDoseLn, bend) - slope * (fineness - at)
}

/** Each day's middle value, because a botched shot must not carry over; a day counts by its shots and by how long ago it was. */
function fromSameCoffee(same: readonly Lined[], at: number, bend: number, slope: number): LevelBelief {
  let [precision, sum] = [0, 0]
  for (const day of groupedBy(same, ({ daysAgo }) => String(daysAgo))) {
    const daysAgo = day[0]?.daysAgo ?? 0
    const place = median(day.map((each) => placeAt(each, at, bend, slope))) + PER_DAY_LN * daysAgo
    const told = day.reduce((all, { isDialIn, extraSd }) => all + 1 / spreadOf(isDialIn, extraSd) ** 2, 0)
    const weight = 1 / (1 / told + daysAgo * PER_DAY_SD ** 2 + HALF_DAY)
    precision += weight
    sum += weight * place
  }
  return { place: sum / precision, sd: Math.sqrt(1 / precision + HALF_DAY) }
}

function spreadOf(isDialIn: boolean, extraSd: number): number {
  return Math.hypot(NOISE_LN, isDialIn ? 0 : PRACTICE_SD, extraSd)
}

function fromOthers(others: readonly Lined[], at: number, bend: number, slope: number): LevelBelief {
  const byCoffee = groupedBy(others, (each) => each.coffeeId).map((shots) =>
    median(shots.map((each) => placeAt(each, at, bend, slope))),
  )
  return { place: median(byCoffee), sd: COFFEE_SD * Math.sqrt(1 + 1 / byCoffee.length) }
}
