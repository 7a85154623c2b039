import { isClearOfTouching, scaleToAdvise } from '../equipment/fineEnd.ts'
import type { Recipe } from '../recipe/recipe.ts'
import { type GrindModel, grindModel } from './grindModel.ts'
import { grinderBelief } from './grinderBelief.ts'
import { type LevelFrom, levelOf } from './level.ts'
import { type Observation, asItReadsNow, finenessOf, observationsOf, ofThisRecipe } from './observations.ts'
import type { Spot, Weighing } from './options.ts'
import type { DialInGrinder, DialInWish, GrindSeen, SessionShot } from './types.ts'

/** All that dialling in goes by. */
export interface GrindKnown {
  /** What this grinder did before, under any coffee, oldest first. */
  history: readonly GrindSeen[]
  /** This session's shots of the coffee wished for, oldest first. */
  session: readonly SessionShot[]
  recipe: Recipe
  grinder: DialInGrinder
  wish: DialInWish
}

/** All that is known when the next shot is chosen. */
export interface Situation extends GrindKnown, Weighing {
  /** The scale cut off where advice ends on its fine side. */
  advisable: DialInGrinder
  last: SessionShot | null
  /** What this session’s shots say to the model. */
  here: readonly Observation[]
  from: LevelFrom
  model: GrindModel
}

/**
 * Sorts what is known into what was learnt before and what this session says. Settings are as the scale reads now:
 * where the inner burr was moved since and nobody knows how far that shifts it, a new history begins.
 */
export function situationOf(known: GrindKnown): Situation {
  const { recipe, grinder, wish } = known
  const history = ofThisRecipe(asItReadsNow(known.history, grinder), recipe, wish)
  const session = asItReadsNow(known.session, grinder)
  const earlier = observationsOf(history, recipe, grinder)
  const here = observationsOf(ofThisRecipe(session, recipe, wish), recipe, grinder)
  const belief = grinderBelief(grinder, earlier)
  const level = levelOf(earlier, wish.coffeeId, belief.dose.elasticity, grinder, here[0]?.fineness ?? null)
  const last = session.at(-1) ?? null
  return {
    ...known,
    history,
    session,
    here,
    last,
    advisable: scaleToAdvise(grinder, settingsRun([...known.history, ...known.session], grinder)),
    from: level.from,
    lastSetting: last?.setting ?? null,
    triedSettings: new Set(session.map(({ setting }) => setting)),
    model: grindModel(level, belief, here),
    isOpen: openTo(session, grinder),
  }
}

/** Where this grinder has run with its inner burr where it is now. */
function settingsRun(seen: readonly GrindSeen[], { innerBurr }: DialInGrinder): number[] {
  const now = innerBurr?.at ?? null
  return seen.filter(({ innerBurrAt }) => innerBurrAt === now).map(({ setting }) => setting)
}

/**
 * Clear of touching burrs, and never back to or beyond a choke or a gush by sound hands; where two of them contradict
 * each other, neither closes the scale.
 */
function openTo(session: readonly SessionShot[], grinder: DialInGrinder): (setting: number) => boolean {
  const at = (cameOut: SessionShot['cameOut']) =>
    session
      .filter((shot) => shot.cameOut === cameOut && !shot.isGated)
      .map(({ setting }) => finenessOf(setting, grinder))
  const [coarse, fine] = [Math.max(-Infinity, ...at('gushed')), Math.min(Infinity, ...at('choked'))]
  return (setting) => {
    const fineness = finenessOf(setting, grinder)
    const isBetween = coarse >= fine || (fineness > coarse && fineness < fine)
    return isBetween && isClearOfTouching(setting, grinder)
  }
}

/** Where a shot was pulled, as it was meant. */
export function spotOf({ setting, doseWantedG, yieldWantedG }: SessionShot, recipe: Recipe): Spot {
  const by = (wantedG: number | null, ownG: number) =>
    wantedG === null ? 0 : Math.round(10 * (wantedG - ownG)) / 10
  return { setting, doseByG: by(doseWantedG, recipe.doseG), yieldByG: by(yieldWantedG, recipe.yieldG) }
}

/** Whether two shots were pulled at one spot. */
export function isSameSpot(one: Spot, other: Spot): boolean {
  return one.setting === other.setting && one.doseByG === other.doseByG && one.yieldByG === other.yieldByG
}

/** The shots of the session at one spot. */
export function shotsAt(
  spot: Spot,
  { session, recipe }: Pick<Situation, 'session' | 'recipe'>,
): SessionShot[] {
  return session.filter((shot) => isSameSpot(spotOf(shot, recipe), spot))
}
