import { groupedBy } from './groupedBy.ts'
import type { GrinderScale } from '../equipment/equipment.ts'
import { median } from '../statistics/robust.ts'
import { THRESHOLDS } from '../thresholds.ts'
import type { Observation } from './observations.ts'

/** What is believed of ln time at one fineness before this session's shots, and what that rests on. */
export interface LevelBelief {
  fineness: number
  lnTime: number
  sd: number
  from: 'same-coffee-before' | 'like-coffees-before' | 'middle-of-scale'
}

/** From day to day, and for each day that passes, ln time at one setting wanders by about this much. */
const DAY_SD = 0.04
const PER_DAY_SD = 0.012
/** As a bag ages it runs faster. */
const PER_DAY_LN = -0.004
/** Coffees differ by about this much in ln time at one setting. */
const COFFEE_SD = 0.35
const UNKNOWN_SD = 0.9
const NOISE_LN = THRESHOLDS.shotNoiseLn

/** What this grinder last did with this coffee; else with others; else that the target lies mid-scale. */
export function levelBelief(
  earlier: readonly Observation[],
  coffeeId: string,
  slope: number,
  targetLn: number,
  scale: GrinderScale,
): LevelBelief {
  const usable = earlier.filter(({ bound }) => bound === null)
  const same = usable.filter((each) => each.coffeeId === coffeeId)
  if (same.length > 0) return fromSameCoffee(same, slope)
  if (usable.length > 0) return fromOthers(usable, slope)
  const middle = (scale.minSetting + scale.maxSetting) / 2
  return {
    fineness: scale.finerIs === 'higher' ? middle : -middle,
    lnTime: targetLn,
    sd: UNKNOWN_SD,
    from: 'middle-of-scale',
  }
}

function fromSameCoffee(same: readonly Observation[], slope: number): LevelBelief {
  const lastDay = Math.min(...same.map(({ daysAgo }) => daysAgo))
  const last = same.filter(({ daysAgo }) => daysAgo === lastDay)
  const fineness = median(last.map((each) => each.fineness))
  // The middle value, because a botched shot must not carry over.
  const lnTime = median(last.map((each) => each.lnTime - slope * (each.fineness - fineness)))
  const spread = NOISE_LN ** 2 / last.length + DAY_SD ** 2 + lastDay * PER_DAY_SD ** 2
  return {
    fineness,
    lnTime: lnTime + PER_DAY_LN * lastDay,
    sd: Math.sqrt(spread),
    from: 'same-coffee-before',
  }
}

function fromOthers(others: readonly Observation[], slope: number): LevelBelief {
  const fineness = median(others.map((each) => each.fineness))
  const byCoffee = groupedBy(others, (each) => each.coffeeId).map((shots) =>
    median(shots.map((each) => each.lnTime - slope * (each.fineness - fineness))),
  )
  return {
    fineness,
    lnTime: median(byCoffee),
    sd: COFFEE_SD * Math.sqrt(1 + 1 / byCoffee.length),
    from: 'like-coffees-before',
  }
}
