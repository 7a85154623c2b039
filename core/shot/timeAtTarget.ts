import type { Clock, Recipe } from '../recipe/recipe.ts'
import { THRESHOLDS } from '../thresholds.ts'
import type { ShotClock, ShotFacts } from './facts.ts'
import { netG } from './weighing.ts'
import { crossingS } from './crossing.ts'
import { yieldShare } from './yieldShare.ts'

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
 * or only a bound on it. `clockS` is what that clock itself showed at the stop. `no-drop` carries seconds from pump start, because the drop clock never began.
 */
export type TimeAtTarget =
  | { kind: 'known'; s: number; clockS: number; estimated: boolean }
  | { kind: 'at-least'; s: number }
  | { kind: 'at-most'; s: number }
  | { kind: 'no-drop'; pumpS: number }
  | { kind: 'unknown'; why: TimeUnknown }

/** Seconds of the shot on one clock, or null where that clock can't be known. */
export function timeOnClock(clock: ShotClock, which: Clock): number | null {
  const startS = clockStartS(clock, which)
  return startS === null ? null : clock.stopS - startS
}

/** Where a clock stands at 0, in s from pump start; null where its mark is missing. */
function clockStartS({ firstDropS, preinfusionEndS = null }: ShotClock, which: Clock): number | null {
  return { pump: 0, drop: firstDropS, pressure: preinfusionEndS }[which]
}

/**
 * Scales the shot's time to the target yield where that is honest (within ±25 % of it), by
 * `firstDrop + (stop − firstDrop) × target ÷ actual`; further out only a bound is left. A pump time is never
 * passed off as a drop time. With samples it is the moment itself, not a scaled one.
 */
export function timeAtTarget(facts: ShotFacts, recipe: Recipe): TimeAtTarget {
  const { clock, abandoned } = facts
  if (clock === null) return { kind: 'unknown', why: 'not-timed' }
  if (clock.firstDrop === 'none') return { kind: 'no-drop', pumpS: clock.stopS }
  if (abandoned === 'spilt') return { kind: 'unknown', why: 'spilt' }
  const elapsedS = timeOnClock(clock, recipe.clock)
  const share = yieldShare(facts, recipe)?.share ?? null
  if (elapsedS === null) return withoutItsMark(clock, recipe, share, abandoned)
  if (abandoned === 'choked') return { kind: 'at-least', s: elapsedS }
  if (abandoned === 'gushed') return { kind: 'at-most', s: elapsedS }
  const crossed = crossedAt(facts, recipe, elapsedS)
  if (crossed !== null) return crossed
  if (share === null) return { kind: 'unknown', why: 'cup-not-weighed' }
  if (share - 1 < -THRESHOLDS.scalableYieldShare) return { kind: 'at-least', s: elapsedS }
  if (share - 1 > THRESHOLDS.scalableYieldShare) return { kind: 'at-most', s: elapsedS }
  return scaledToTarget(clock, recipe, share, elapsedS)
}

/** Where a scale stood under the cup, the moment at which stopping would have ended at the target. */
function crossedAt(facts: ShotFacts, recipe: Recipe, clockS: number): TimeAtTarget | null {
  const { clock, measured, samples = [] } = facts
  if (clock === null || samples.length === 0) return null
  const atStopG = samples.filter(({ timeS }) => timeS <= clock.stopS).at(-1)?.weightG ?? 0
  const settledG = netG(facts.cup) ?? samples.at(-1)?.weightG ?? atStopG
  const leadG = measured?.leadG ?? Math.max(0, settledG - atStopG)
  const pumpS = crossingS(
    samples.filter(({ timeS }) => timeS <= clock.stopS),
    recipe.yieldG - leadG,
  )
  if (pumpS === null) return null
  return { kind: 'known', s: pumpS - (clock.stopS - clockS), clockS, estimated: clock.estimated }
}

/** No clock shows more than the pump's: all that can be said, and only of a shot that was fast on that. */
function withoutItsMark(
  clock: ShotClock,
  recipe: Recipe,
  share: number | null,
  abandoned: ShotFacts['abandoned'],
): TimeAtTarget {
  const reachedTarget = abandoned === 'gushed' || (share !== null && share >= 1)
  if (reachedTarget && clock.stopS < recipe.timeMinS) return { kind: 'at-most', s: clock.stopS }
  return { kind: 'unknown', why: recipe.clock === 'drop' ? 'first-drop-missed' : 'release-not-marked' }
}

function scaledToTarget(clock: ShotClock, recipe: Recipe, share: number, clockS: number): TimeAtTarget {
  // Only the flowing part scales; unmarked, the middle of the usual range stands in (off by 3 s, it errs by 0.75 s).
  const firstDropS =
    clock.firstDropS ?? Math.min(clock.stopS, (recipe.firstDropMinS + recipe.firstDropMaxS) / 2)
  const flowingS = (clock.stopS - firstDropS) / share
  // On the drop clock this is the first drop itself, which is then known.
  const startS = clock.stopS - clockS
  return {
    kind: 'known',
    s: firstDropS + flowingS - startS,
    clockS,
    estimated: clock.estimated || clock.firstDropS === null,
  }
}
