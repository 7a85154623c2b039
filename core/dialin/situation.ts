import { isClearOfTouching, scaleToAdvise } from '../equipment/fineEnd.ts'
import type { Recipe } from '../recipe/recipe.ts'
import { type GrindModel, grindModel } from './grindModel.ts'
import { grinderBelief } from './grinderBelief.ts'
import { type LevelFrom, levelOf } from './level.ts'
import { finenessOf, observationsOf } from './observations.ts'
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
  from: LevelFrom
  model: GrindModel
}

/** Sorts what is known into what was learnt before and what this session says. */
export function situationOf(known: GrindKnown): Situation {
  const { history, session, recipe, grinder, wish } = known
  const earlier = observationsOf(history, recipe, grinder, wish)
  const here = observationsOf(session, recipe, grinder, wish)
  const belief = grinderBelief(grinder, earlier)
  const level = levelOf(earlier, wish.coffeeId, belief.dose.elasticity, grinder, here[0]?.fineness ?? null)
  const advisable = scaleToAdvise(grinder, settingsRun([...history, ...session], grinder))
  const farOut = farOutOf(session, grinder)
  return {
    ...known,
    advisable,
    last: session.at(-1) ?? null,
    from: level.from,
    lastSetting: session.at(-1)?.setting ?? null,
    triedSettings: new Set(session.map(({ setting }) => setting)),
    model: grindModel(level, belief, here),
    isOpen: (setting) =>
      isClearOfTouching(setting, grinder) && isBetween(finenessOf(setting, null, NO_BURR(grinder)), farOut),
  }
}

/** Where this grinder has run with its inner burr where it is now. */
function settingsRun(seen: readonly GrindSeen[], { innerBurr }: DialInGrinder): number[] {
  const now = innerBurr?.at ?? null
  return seen.filter(({ innerBurrAt }) => innerBurrAt === now).map(({ setting }) => setting)
}

const NO_BURR = (grinder: DialInGrinder): DialInGrinder => ({ ...grinder, innerBurr: null })

/** Finenesses of the outer scale beyond which it is known to run far out, this session. */
interface FarOut {
  coarse: number
  fine: number
}

/** A choke or a gush by sound hands closes the scale from there on; where two contradict each other, neither does. */
function farOutOf(session: readonly SessionShot[], grinder: DialInGrinder): FarOut {
  const at = (cameOut: SessionShot['cameOut']) =>
    session
      .filter((shot) => shot.cameOut === cameOut && !shot.isGated)
      .map(({ setting }) => finenessOf(setting, null, NO_BURR(grinder)))
  const [coarse, fine] = [Math.max(-Infinity, ...at('gushed')), Math.min(Infinity, ...at('choked'))]
  return coarse < fine ? { coarse, fine } : { coarse: -Infinity, fine: Infinity }
}

function isBetween(fineness: number, { coarse, fine }: FarOut): boolean {
  return fineness > coarse && fineness < fine
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
