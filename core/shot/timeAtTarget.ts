import type { Clock, Recipe } from '../recipe/recipe.ts'
import { THRESHOLDS } from '../thresholds.ts'
import type { ShotClock, ShotFacts } from './facts.ts'
import { netG } from './weighing.ts'
import { crossingS } from './crossing.ts'
import { isHeldBack, usualFirstDropS } from './firstDrop.ts'
import { type YieldBy, type YieldShare, yieldShare } from './yieldShare.ts'

/** Why no honest time can be given. */
export type TimeUnknown =
  | 'not-timed'
  | 'first-drop-missed'
  | 'release-not-marked'
  | 'stopped-before-drop'
  | 'cup-not-weighed'
  | 'spilt'

/**
 * The second, on the recipe's clock, at which the pump should have been stopped for the cup to end at the target;
 * or only a bound on it, or bounds on both sides. `clockS` is what that clock itself showed at the stop; `startS` where
 * it stands at 0, in s from pump start, so that shots on different clocks can be held against each other. `no-drop`
 * carries seconds from pump start, because the drop clock never began.
 */
export type TimeAtTarget =
  | {
      kind: 'known'
      s: number
      clockS: number
      startS: number
      estimated: boolean
      /** By what the yield is known that it is scaled to, and how far that may be off, as sd of its ln. */
      yieldBy: YieldBy
      yieldLnSd: number
    }
  | { kind: 'at-least'; s: number; startS: number; why?: TimeUnknown }
  | { kind: 'at-most'; s: number; startS: number }
  | { kind: 'between'; fromS: number; toS: number; startS: number; why: TimeUnknown }
  | { kind: 'no-drop'; pumpS: number }
  | { kind: 'unknown'; why: TimeUnknown }

/** Seconds of the shot on one clock, or null where that clock can't be known. */
export function timeOnClock(clock: ShotClock, which: Clock): number | null {
  return onClock(clock, which)?.clockS ?? null
}

/** Where a clock stands at 0, in s from pump start, and what it showed at the stop. */
interface OnClock {
  startS: number
  clockS: number
}

/** Null where that clock's mark is missing. */
function onClock({ firstDropS, preinfusionEndS = null, stopS }: ShotClock, which: Clock): OnClock | null {
  const startS = { pump: 0, drop: firstDropS, pressure: preinfusionEndS }[which]
  return startS === null ? null : { startS, clockS: roundS(stopS - startS) }
}

/** No clock reads microseconds: what lies below them is the arithmetic's, and decides nothing. */
function roundS(seconds: number): number {
  return Math.round(seconds * 1e6) / 1e6
}

/**
 * Scales the shot's time to the target yield where that is honest, by
 * `firstDrop + (stop − firstDrop) × target ÷ actual`: within 25 % short of it, and within half as much again over it,
 * because there the target was passed on the way; further out only a bound is left. A pump time is never passed off as
 * a drop time: without that clock's mark, and without the cup's weight, there are bounds. With samples it is the moment
 * itself, not a scaled one.
 */
export function timeAtTarget(facts: ShotFacts, recipe: Recipe): TimeAtTarget {
  const { clock, abandoned } = facts
  if (clock === null) return { kind: 'unknown', why: 'not-timed' }
  if (clock.firstDrop === 'none') return { kind: 'no-drop', pumpS: clock.stopS }
  if (abandoned === 'spilt') return { kind: 'unknown', why: 'spilt' }
  const its = onClock(clock, recipe.clock)
  const cup = yieldShare(facts, recipe)
  const share = cup?.share ?? null
  const range =
    its === null ? withoutItsMark(clock, recipe) : { fromS: its.clockS, toS: its.clockS, startS: its.startS }
  if (abandoned === 'choked') return { kind: 'at-least', s: range.fromS, startS: range.startS }
  if (abandoned === 'gushed') return { kind: 'at-most', s: range.toS, startS: range.startS }
  const crossed = its === null ? null : crossedAt(facts, clock, recipe, its)
  if (crossed !== null) return crossed
  if (cup === null || share === null) return cupNotWeighed(range, clock, recipe)
  const { scalableUnderShare, scalableOverShare } = THRESHOLDS
  if (share < 1 - scalableUnderShare) return { kind: 'at-least', s: range.fromS, startS: range.startS }
  if (share > 1 + scalableOverShare) return { kind: 'at-most', s: range.toS, startS: range.startS }
  if (its !== null) return scaledToTarget(clock, recipe, cup, its)
  return {
    kind: 'between',
    fromS: roundS(range.fromS / share),
    toS: roundS(range.toS / share),
    startS: range.startS,
    why: recipe.clock === 'drop' ? 'first-drop-missed' : 'release-not-marked',
  }
}

interface Range {
  fromS: number
  toS: number
  startS: number
}

/**
 * The mark at which this clock begins was missed: it shows no more than the pump's, and no less than what is left of
 * that when the mark came as late as it does in a slow shot.
 */
function withoutItsMark({ stopS }: ShotClock, recipe: Recipe): Range {
  const latestS = Math.max(recipe.firstDropMaxS, THRESHOLDS.missedMarkShare * stopS)
  return {
    fromS: roundS(Math.max(0, stopS - latestS)),
    toS: stopS,
    startS: Math.min(stopS, usualFirstDropS(recipe)),
  }
}

/**
 * Stopped by eye a cup ends within a stated factor of its target; only what flows is longer or shorter by that. Of a
 * puck that held the water back nobody knows what came, so that nothing is left but the time it took at least.
 */
function cupNotWeighed({ fromS, toS, startS }: Range, clock: ShotClock, recipe: Recipe): TimeAtTarget {
  const factor = THRESHOLDS.unweighedCupFactor
  const dropS = Math.min(clock.stopS, clock.firstDropS ?? usualFirstDropS(recipe))
  const dryS = Math.max(0, dropS - startS)
  const flowing = (s: number) => Math.max(0, s - dryS)
  const leastS = roundS(fromS - flowing(fromS) * (1 - 1 / factor))
  if (isHeldBack(clock.firstDropS, recipe)) {
    return { kind: 'at-least', s: leastS, startS, why: 'cup-not-weighed' }
  }
  return {
    kind: 'between',
    fromS: leastS,
    toS: roundS(toS + flowing(toS) * (factor - 1)),
    startS,
    why: 'cup-not-weighed',
  }
}

/** Where a scale stood under the cup, the moment at which stopping would have ended at the target. */
function crossedAt(
  { cup, measured, samples = [] }: ShotFacts,
  clock: ShotClock,
  recipe: Recipe,
  { startS, clockS }: OnClock,
): TimeAtTarget | null {
  if (samples.length === 0) return null
  const untilStop = samples.filter(({ timeS }) => timeS <= clock.stopS)
  const atStopG = untilStop.at(-1)?.weightG ?? 0
  const settledG = netG(cup) ?? samples.at(-1)?.weightG ?? atStopG
  const leadG = measured?.leadG ?? Math.max(0, settledG - atStopG)
  const pumpS = crossingS(untilStop, recipe.yieldG - leadG)
  if (pumpS === null) return null
  const its = { s: roundS(pumpS - startS), clockS, startS, estimated: clock.estimated }
  return { kind: 'known', ...its, yieldBy: 'weight', yieldLnSd: 0 }
}

function scaledToTarget(
  clock: ShotClock,
  recipe: Recipe,
  { share, by: yieldBy, lnSd }: YieldShare,
  { startS, clockS }: OnClock,
): TimeAtTarget {
  // Only the flowing part scales; unmarked, the middle of the usual range stands in (off by 3 s, it errs by 0.75 s).
  const firstDropS = clock.firstDropS ?? Math.min(clock.stopS, usualFirstDropS(recipe))
  const flowingS = (clock.stopS - firstDropS) / share
  return {
    kind: 'known',
    s: roundS(firstDropS + flowingS - startS),
    clockS,
    startS,
    estimated: clock.estimated || clock.firstDropS === null,
    yieldBy,
    // A weight says it well enough; what is only seen or usual adds to what the clock errs by.
    yieldLnSd: yieldBy === 'line' || yieldBy === 'usual' ? lnSd : 0,
  }
}
