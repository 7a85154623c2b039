import type { Recipe } from '../recipe/recipe.ts'
import type { ShotFacts } from '../shot/facts.ts'
import { isHeldBack, isMarkedLate } from '../shot/firstDrop.ts'
import type { TimeAtTarget } from '../shot/timeAtTarget.ts'
import { yieldShare } from '../shot/yieldShare.ts'
import { THRESHOLDS } from '../thresholds.ts'
import type { Flow } from './types.ts'

const UNKNOWN: Flow = { state: 'unknown', missLn: 0 }
const CHOKED: Flow = { state: 'choking', missLn: Infinity }

/** Whether it ran faster than its window. */
export function ranFast({ state }: Flow): boolean {
  return state === 'fast' || state === 'gushing'
}

/** Whether it ran slower than its window. */
export function ranSlow({ state }: Flow): boolean {
  return state === 'slow' || state === 'choking'
}

/** Whether it ran so far out that no time can be told of it. */
export function ranFarOut({ state }: Flow): boolean {
  return state === 'gushing' || state === 'choking'
}

/**
 * Choking, slow, on, fast or gushing: the time at target against the window, or a bound that settles it alone. Both are
 * counted from pump start, whatever the recipe's clock, so that the same instants say the same on each.
 */
export function flowOf(facts: ShotFacts, time: TimeAtTarget, recipe: Recipe): Flow {
  if (facts.abandoned === 'choked') return CHOKED
  const isOnlyRecorded = recipe.school?.onlyRecorded.includes('time') ?? false
  const flow = byTime(facts, time, recipe)
  if (isOnlyRecorded) return flow.state === 'choking' && time.kind !== 'known' ? flow : UNKNOWN
  return ranFast(flow) ? neverFastOnceHeldBack(flow, facts, recipe) : flow
}

function byTime(facts: ShotFacts, time: TimeAtTarget, recipe: Recipe): Flow {
  switch (time.kind) {
    case 'unknown':
      return UNKNOWN
    case 'no-drop':
      return isHeldBack(time.pumpS, recipe) ? CHOKED : UNKNOWN
    case 'known':
      return againstWindow(time.s, time.startS, recipe)
    case 'at-least':
      return notReached(facts, time, recipe)
    case 'at-most':
      return overshot(facts, time, recipe)
    case 'between':
      return within(facts, time, recipe)
  }
}

/**
 * A puck that held the water back choked, even if it broke open afterwards: only what is counted from its late first
 * drop looks fast. Of a drop that was marked too late nothing can be told.
 */
function neverFastOnceHeldBack(flow: Flow, facts: ShotFacts, recipe: Recipe): Flow {
  if (!isHeldBack(facts.clock?.firstDropS ?? null, recipe)) return flow
  return isMarkedLate(facts, recipe) ? UNKNOWN : CHOKED
}

function againstWindow(s: number, startS: number, recipe: Recipe): Flow {
  if (s < recipe.timeMinS) return tooFast(s, startS, recipe)
  if (s <= recipe.timeMaxS) return { state: 'on', missLn: 0 }
  return tooSlow(s, startS, recipe)
}

function tooSlow(s: number, startS: number, { timeMaxS }: Recipe): Flow {
  return s + startS > (timeMaxS + startS) * THRESHOLDS.chokeBeyondWindowEnds
    ? CHOKED
    : { state: 'slow', missLn: Math.log((s + startS) / (timeMaxS + startS)) }
}

function tooFast(s: number, startS: number, { timeMinS }: Recipe): Flow {
  const [pumpS, windowS] = [Math.max(s + startS, 0.1), timeMinS + startS]
  const state = pumpS <= windowS * THRESHOLDS.gushBelowWindowShare ? 'gushing' : 'fast'
  return { state, missLn: Math.log(windowS / pumpS) }
}

function notReached(
  facts: ShotFacts,
  { s, startS }: Extract<TimeAtTarget, { kind: 'at-least' }>,
  recipe: Recipe,
): Flow {
  if (isHeldBack(facts.clock?.firstDropS ?? null, recipe)) return CHOKED
  if (s < recipe.timeMaxS) return UNKNOWN
  const share = yieldShare(facts, recipe)?.share ?? 0
  return share < THRESHOLDS.chokeYieldShare ? CHOKED : tooSlow(s, startS, recipe)
}

/** The target was passed at some moment since the first drop; where even that came after the window, it was slow. */
function overshot(
  facts: ShotFacts,
  { s, startS }: Extract<TimeAtTarget, { kind: 'at-most' }>,
  recipe: Recipe,
): Flow {
  const soonestS = (facts.clock?.firstDropS ?? 0) - startS
  return soonestS > recipe.timeMaxS ? tooSlow(soonestS, startS, recipe) : reachedBy(facts, s, startS, recipe)
}

function reachedBy({ abandoned }: ShotFacts, s: number, startS: number, recipe: Recipe): Flow {
  if (s <= recipe.timeMinS) return tooFast(s, startS, recipe)
  return abandoned === 'gushed' ? { state: 'gushing', missLn: 0 } : UNKNOWN
}

function within(
  facts: ShotFacts,
  { fromS, toS, startS }: Extract<TimeAtTarget, { kind: 'between' }>,
  recipe: Recipe,
): Flow {
  if (fromS > recipe.timeMaxS) return tooSlow(fromS, startS, recipe)
  return reachedBy(facts, toS, startS, recipe)
}
