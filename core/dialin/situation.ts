import { scaleToAdvise } from '../equipment/fineEnd.ts'
import type { Recipe } from '../recipe/recipe.ts'
import { type GrindModel, grindModel } from './grindModel.ts'
import { type LevelBelief, levelBelief } from './level.ts'
import { targetLn } from './nextSetting.ts'
import { observationsOf } from './observations.ts'
import { slopeBelief } from './slope.ts'
import type { DialInGrinder, DialInWish, GrindShot } from './types.ts'

/** All that is known when the next shot is chosen. */
export interface Situation {
  recipe: Recipe
  grinder: DialInGrinder
  /** The same, cut off where advice ends on its fine side. */
  advisable: DialInGrinder
  wish: DialInWish
  /** This session's shots of this coffee, oldest first. */
  session: readonly GrindShot[]
  last: GrindShot | null
  level: LevelBelief
  model: GrindModel
}

/** Sorts a grinder’s history into what was learnt before and what this session says. */
export function situationOf(
  history: readonly GrindShot[],
  recipe: Recipe,
  grinder: DialInGrinder,
  wish: DialInWish,
): Situation {
  const isHere = (shot: { isThisSession: boolean; coffeeId: string }) =>
    shot.isThisSession && shot.coffeeId === wish.coffeeId
  const observations = observationsOf(history, recipe, grinder)
  const earlier = observations.filter((each) => !isHere(each))
  const slope = slopeBelief(grinder, earlier)
  const level = levelBelief(earlier, wish.coffeeId, Math.exp(slope.lnMean), targetLn(recipe), grinder)
  const session = history.filter(isHere)
  return {
    recipe,
    grinder,
    advisable: scaleToAdvise(grinder, settingsRun(history, grinder)),
    wish,
    session,
    last: session.at(-1) ?? null,
    level,
    model: grindModel(level, slope, observations.filter(isHere)),
  }
}

/** Where this grinder has run with its inner burr where it is now. */
function settingsRun(history: readonly GrindShot[], { innerBurr }: DialInGrinder): number[] {
  const now = innerBurr?.at ?? null
  return history.filter(({ innerBurrAt }) => innerBurrAt === now).map(({ setting }) => setting)
}
