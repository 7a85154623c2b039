import type { Recipe } from '../recipe/recipe.ts'
import type { ShotFacts } from '../shot/facts.ts'
import type { TimeAtTarget } from '../shot/timeAtTarget.ts'
import { yieldShare } from '../shot/yieldShare.ts'
import { THRESHOLDS } from '../thresholds.ts'
import type { Flow } from './types.ts'

const UNKNOWN: Flow = { state: 'unknown', missLn: 0 }
const CHOKED: Flow = { state: 'choking', missLn: Infinity }

/** Choking, slow, on, fast or gushing: the time at target against the window, or a bound that settles it alone. */
export function flowOf(facts: ShotFacts, time: TimeAtTarget, recipe: Recipe): Flow {
  switch (time.kind) {
    case 'unknown':
      return UNKNOWN
    case 'no-drop':
      return time.pumpS >= recipe.firstDropMaxS * THRESHOLDS.chokeFirstDropTimes ? CHOKED : UNKNOWN
    case 'known':
      return isOnlyRecorded(recipe) ? UNKNOWN : againstWindow(time.s, recipe)
    case 'at-least':
      return notReached(facts, time.s, recipe)
    case 'at-most':
      return !isOnlyRecorded(recipe) && time.s <= recipe.timeMinS ? tooFast(time.s, recipe) : UNKNOWN
  }
}

/** A house that only records its times still sees a choke. */
function isOnlyRecorded({ school }: Recipe): boolean {
  return school?.onlyRecorded.includes('time') ?? false
}

function againstWindow(s: number, recipe: Recipe): Flow {
  if (s < recipe.timeMinS) return tooFast(s, recipe)
  if (s <= recipe.timeMaxS) return { state: 'on', missLn: 0 }
  return s > recipe.timeMaxS * THRESHOLDS.chokeBeyondWindowEnds
    ? CHOKED
    : { state: 'slow', missLn: Math.log(s / recipe.timeMaxS) }
}

function tooFast(s: number, recipe: Recipe): Flow {
  const state = s <= recipe.timeMinS * THRESHOLDS.gushBelowWindowShare ? 'gushing' : 'fast'
  return { state, missLn: Math.log(recipe.timeMinS / s) }
}

function notReached(facts: ShotFacts, s: number, recipe: Recipe): Flow {
  if (s < recipe.timeMaxS) return UNKNOWN
  const share = yieldShare(facts, recipe)?.share ?? 0
  if (facts.abandoned === 'choked' || share < THRESHOLDS.chokeYieldShare) return CHOKED
  return isOnlyRecorded(recipe) ? UNKNOWN : { state: 'slow', missLn: Math.log(s / recipe.timeMaxS) }
}
