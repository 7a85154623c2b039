import type { Fault } from '../diagnosis/causes.ts'
import type { Recipe } from '../recipe/recipe.ts'
import { usualFirstDropS } from '../shot/firstDrop.ts'
import { simulateFlow, simulateShot } from './simulateShot.ts'
import type { Bench, ShotDone, SimulatedShot } from './types.ts'

/** What goes with a shot and isn't in the cup: what someone who knows the bar could say. */
export interface Surroundings {
  ageDays: number
  isFirstOfDay: boolean
  isPreGround: boolean
  isAtFinest: boolean
  isBetweenSettings: boolean
  /** Chances that a look at other shots shows it. */
  sameAtEveryGrind: number
  sameForEveryone: number
  thisGroupOnly: number
  everyTime: number
  alternates: number
  timesScatter: number
  timesFall: number
}

/** One shot with all that is hidden about it. */
export interface Truth {
  recipe: Recipe
  bench: Bench
  done: ShotDone
  around: Surroundings
  faults: readonly Fault[]
  shot: SimulatedShot
}

/** Pump seconds at which this recipe's window has its middle, for a usual first drop. */
export function pumpTargetS(recipe: Recipe): number {
  const middleS = (recipe.timeMinS + recipe.timeMaxS) / 2
  return recipe.clock === 'pump' ? middleS : middleS + usualFirstDropS(recipe)
}

const SEARCH_HALVINGS = 14

/**
 * The setting at which careful hands land `targetS` with this bench, by halving its range; settings are taken as
 * stepless and may lie off the grinder's scale.
 */
export function settingFor(bench: Bench, done: ShotDone, targetS: number): number {
  let [low, high] = [-60, 120]
  for (let halving = 0; halving < SEARCH_HALVINGS; halving += 1) {
    const setting = (low + high) / 2
    const { stopS } = simulateFlow(bench, { ...done, setting, stopAtS: targetS + 1 })
    const isTooFine = stopS > targetS === bench.lnDiameterPerUnit > 0
    if (isTooFine) low = setting
    else high = setting
  }
  return (low + high) / 2
}

/** Pulls it. */
export function truthOf(hidden: Omit<Truth, 'shot'>): Truth {
  return { ...hidden, shot: simulateShot(hidden.bench, hidden.done) }
}
