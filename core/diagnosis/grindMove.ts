import { adviseGrind } from '../dialin/adviseGrind.ts'
import { sessionShot } from '../dialin/grindShot.ts'
import type { DialInGrinder, DialInWish, GrindSeen, SessionShot } from '../dialin/types.ts'
import type { GrinderScale } from '../equipment/equipment.ts'
import { scaleToAdvise } from '../equipment/fineEnd.ts'
import { type GrindDirection, directionSign, isStepTowards, onScale } from '../equipment/grinder.ts'
import type { Readings } from '../reading/types.ts'
import type { GrindTo } from './types.ts'

/** What was set at the grinder when the shot was pulled. */
export interface GrindContext {
  setting: number | null
  grinder: GrinderScale | null
  /** Other settings at which this grinder is known to have run, with its inner burr where it is now. */
  ranAt?: readonly number[]
  /** What it did before, as dialling in looks at it; left out where nobody knows. */
  behind?: GrindBehind
}

/** What is known of a grinder beyond its scale. */
export interface GrindBehind {
  grinder: DialInGrinder
  history: readonly GrindSeen[]
  /** Shots of this dial-in before the one that is judged, oldest first. */
  session: readonly SessionShot[]
  wish: DialInWish
}

/**
 * How far the grind moves, by the same model that dials in: from all this grinder is known to have done, in the
 * direction that the judgement named, by at least a step, and never past the finest setting that may be advised. Null
 * where the setting or the grinder's scale is unknown, or ends there.
 */
export function grindTo(direction: GrindDirection, readings: Readings, grind: GrindContext): GrindTo | null {
  const { setting, grinder } = grind
  if (setting === null || grinder === null) return null
  const { recipe } = readings.of
  const { history, session, wish, grinder: its } = grind.behind ?? nothingBehind(grinder)
  const { coffeeId, basketId } = wish
  const innerBurrAt = its.innerBurr?.at ?? null
  const where = { coffeeId, basketId, daysAgo: 0, setting, innerBurrAt, isDialIn: true }
  const shot = sessionShot(readings, recipe, where, [])
  const advice = adviseGrind({
    history,
    session: shot === null ? session : [...session, shot],
    recipe,
    grinder: its,
    wish,
  })
  const toSetting = atLeastOneStep(direction, setting, advice.setting, advisable(setting, grinder, grind))
  if (toSetting === setting) return null
  return {
    steps: Math.max(1, Math.round(Math.abs(toSetting - setting) / grinder.settingStep)),
    toSetting,
    ranWellAt: onTheWay(direction, setting, advice.ranWellAt, grinder),
  }
}

/** Where it ran well before, if the move goes towards it: said beside a move away from it, it would take that back. */
function onTheWay(
  direction: GrindDirection,
  from: number,
  ranWellAt: number | null,
  scale: GrinderScale,
): number | null {
  return ranWellAt !== null && isStepTowards(direction, from, ranWellAt, scale) ? ranWellAt : null
}

function nothingBehind(grinder: GrinderScale): GrindBehind {
  return {
    grinder: { ...grinder, innerBurr: null, lnTimePerUnit: null, purgeG: 0 },
    history: [],
    session: [],
    wish: { coffeeId: '', basketId: null, doseRangeG: null, pricePerKg: null },
  }
}

/** Whether no finer setting may be advised. */
export function isAtFinest(grind: GrindContext): boolean {
  const { setting, grinder } = grind
  if (setting === null || grinder === null) return false
  const { finerIs, minSetting, maxSetting } = advisable(setting, grinder, grind)
  return finerIs === 'lower' ? setting <= minSetting : setting >= maxSetting
}

/** The scale as far as it may be advised; it ran where it was, so that no margin forbids that. */
function advisable(setting: number, grinder: GrinderScale, { ranAt = [] }: GrindContext): GrinderScale {
  return scaleToAdvise(grinder, [...ranAt, setting])
}

/** What was named goes the way it says, even where the model would rather see the shot again. */
function atLeastOneStep(
  direction: GrindDirection,
  from: number,
  wanted: number,
  scale: GrinderScale,
): number {
  const step = directionSign(direction, scale) * scale.settingStep
  return onScale(isStepTowards(direction, from, wanted, scale) ? wanted : from + step, scale)
}
