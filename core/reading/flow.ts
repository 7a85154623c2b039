import type { Recipe } from '../recipe/recipe.ts'
import type { ShotFacts } from '../shot/facts.ts'
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
  const judged = (flow: Flow) => (isOnlyRecorded && flow.state !== 'choking' ? UNKNOWN : flow)
  switch (time.kind) {
    case 'unknown':
      return UNKNOWN
    case 'no-drop':
      return hasNoDropYet(time.pumpS, recipe) ? CHOKED : UNKNOWN
    case 'known':
      return isOnlyRecorded ? UNKNOWN : againstWindow(time.s, time.startS, recipe)
    case 'at-least':
      return judged(notReached(facts, time, recipe))
    case 'at-most':
      return judged(reachedBy(facts, time.s, time.startS, recipe))
    case 'between':
      return judged(within(facts, time, recipe))
  }
}

/** No drop by twice the latest usual one. */
function hasNoDropYet(pumpS: number, { firstDropMaxS }: Recipe): boolean {
  return pumpS >= firstDropMaxS * THRESHOLDS.chokeFirstDropTimes
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
  const firstDropS = facts.clock?.firstDropS ?? 0
  if (hasNoDropYet(firstDropS, recipe)) return CHOKED
  if (s < recipe.timeMaxS) return UNKNOWN
  const share = yieldShare(facts, recipe)?.share ?? 0
  return share < THRESHOLDS.chokeYieldShare ? CHOKED : tooSlow(s, startS, recipe)
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
