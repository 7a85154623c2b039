import type { Recipe } from '../recipe/recipe.ts'
import type { ShotFacts } from '../shot/facts.ts'
import type { TimeAtTarget } from '../shot/timeAtTarget.ts'
import { netG } from '../shot/weighing.ts'
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
      return againstWindow(time.s, recipe)
    case 'at-least':
      return notReached(facts, time.s, recipe)
    case 'at-most':
      return time.s <= recipe.timeMinS ? tooFast(time.s, recipe) : UNKNOWN
  }
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
  const cupG = netG(facts.cup) ?? 0
  if (facts.abandoned === 'choked' || cupG < recipe.yieldG * THRESHOLDS.chokeYieldShare) return CHOKED
  return { state: 'slow', missLn: Math.log(s / recipe.timeMaxS) }
}
