import { directionSign, isStepTowards, onScale } from '../equipment/grinder.ts'
import type { Decision } from './decision.ts'
import { type Spot, optionsOf } from './options.ts'
import { type Situation, shotsAt, spotOf } from './situation.ts'
import { THRESHOLDS } from '../thresholds.ts'
import type { DialInReason, SessionShot } from './types.ts'

/** How far the yield goes by itself before the grind moves, and in steps of what size, in g. */
const YIELD_STEP_G = 2
const YIELD_REACH_G = 4
/** How much ln time one grind move by taste is worth: about two steps of a common scale. */
const MOVE_LN = 0.14
/** So many good cups at one spot, and it is found. */
const GOOD_CUPS = 2
/** The tongue can't tell less than this apart. */
const LEAST_MOVE_LN = 0.07

/** Whether a recipe's house goes by taste, and only records the time. */
export function isTasteLed({ recipe }: Pick<Situation, 'recipe'>): boolean {
  return recipe.school?.onlyRecorded.includes('time') ?? false
}

/**
 * The next shot where the house goes by taste: yield first, then grind, one at a time. Sour asks for more through the
 * puck, bitter for less; where the yield is used up it goes back to the recipe's and the grind moves, halved each time
 * the cup changes sides.
 */
export function byTaste(situation: Situation, last: SessionShot): Decision {
  const { recipe } = situation
  const spot = spotOf(last, recipe)
  if (last.cameOut === 'choked' || last.cameOut === 'gushed') return grindMoved(situation, last, last.cameOut)
  switch (last.leaning) {
    case null:
      return { step: 'taste-it', spot, why: ['not-tasted'] }
    case 'balanced':
      return isGoodTwice(situation, spot)
        ? { step: 'done', spot, why: ['tastes-good-twice'] }
        : { step: 'taste-again', spot, why: ['tastes-good'] }
    case 'uneven':
    case 'flat':
      return { step: 'repeat', spot, why: [last.leaning === 'uneven' ? 'tastes-uneven' : 'not-tasted'] }
    case 'under':
    case 'over':
      return yieldOrGrind(situation, last, last.leaning)
  }
}

function isGoodTwice(situation: Situation, spot: Spot): boolean {
  return shotsAt(spot, situation).filter(({ leaning }) => leaning === 'balanced').length >= GOOD_CUPS
}

function yieldOrGrind(situation: Situation, last: SessionShot, leaning: 'under' | 'over'): Decision {
  if (isFarOff(situation, last, leaning)) return nearerTheClock(situation, last, leaning)
  const says: DialInReason = leaning === 'under' ? 'tastes-under' : 'tastes-over'
  const spot = spotOf(last, situation.recipe)
  const sign = leaning === 'under' ? 1 : -1
  const hasCrossedHere = situation.session.some(
    (shot) => shot.setting === last.setting && shot.leaning === (leaning === 'under' ? 'over' : 'under'),
  )
  const yieldByG = spot.yieldByG + sign * (hasCrossedHere ? YIELD_STEP_G / 2 : YIELD_STEP_G)
  const isTried = situation.session.some(
    (shot) => shot.setting === last.setting && spotOf(shot, situation.recipe).yieldByG === yieldByG,
  )
  if (Math.abs(yieldByG) <= YIELD_REACH_G && !isTried)
    return { step: 'nudge-yield', spot: { ...spot, yieldByG }, why: [says, 'yield-first'] }
  return grindMoved(situation, last, leaning)
}

/** Sour and far too fast, or bitter and far too slow: no yield reaches that. */
function isFarOff({ recipe }: Situation, { timeS }: SessionShot, leaning: 'under' | 'over'): boolean {
  if (timeS === null) return false
  const { timeMinS, timeMaxS } = recipe
  const offLn = leaning === 'under' ? Math.log(timeMinS / timeS) : Math.log(timeS / timeMaxS)
  return offLn > THRESHOLDS.littleOffLn
}

/** Towards where the recorded times run as usual; from there on the tongue leads. */
function nearerTheClock(situation: Situation, last: SessionShot, leaning: 'under' | 'over'): Decision {
  const { advisable } = situation
  const [best] = optionsOf({ ...situation, grinder: advisable })
  const direction = leaning === 'under' ? 'finer' : 'coarser'
  if (!isStepTowards(direction, last.setting, best.setting, advisable))
    return grindMoved(situation, last, leaning)
  const spot = { setting: best.setting, doseByG: 0, yieldByG: 0 }
  return { step: 'move', spot, why: [leaning === 'under' ? 'tastes-under' : 'tastes-over'] }
}

/** Finer where it was sour, coarser where it was bitter or choked, by as much as a tongue can tell. */
function grindMoved(
  { session, recipe, advisable, model, isOpen }: Situation,
  last: SessionShot,
  why: 'under' | 'over' | 'choked' | 'gushed',
): Decision {
  const direction = why === 'under' || why === 'gushed' ? 'finer' : 'coarser'
  const turns = turnsOf(session)
  const ln = Math.max(LEAST_MOVE_LN, MOVE_LN / 2 ** turns) * (why === 'choked' || why === 'gushed' ? 3 : 1)
  const step = directionSign(direction, advisable) * advisable.settingStep
  const wanted = Math.max(1, Math.round(ln / Math.abs(model.mean.slope * step)))
  const after = (steps: number) => onScale(last.setting + steps * step, advisable)
  // The tongue, too, leads nobody back to or beyond a setting that ran far out.
  const steps =
    Array.from({ length: wanted }, (_, no) => wanted - no).find((each) => isOpen(after(each))) ?? 0
  const setting = after(steps)
  const reasons: Record<typeof why, DialInReason[]> = {
    under: ['tastes-under', 'yield-used-up'],
    over: ['tastes-over', 'yield-used-up'],
    choked: [],
    gushed: [],
  }
  return {
    step: setting === last.setting ? 'move-inner-burr' : 'move',
    spot: { ...spotOf(last, recipe), setting, yieldByG: 0 },
    why:
      setting === last.setting
        ? [direction === 'finer' ? 'scale-ends-finer' : 'scale-ends-coarser']
        : reasons[why],
  }
}

/** How often the cup went from one side to the other between grind settings. */
function turnsOf(session: readonly SessionShot[]): number {
  const sides = session.map(({ leaning }) => leaning).filter((each) => each === 'under' || each === 'over')
  return sides.filter((side, at) => at > 0 && side !== sides[at - 1]).length
}
