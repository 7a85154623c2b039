import type { Decision } from './decision.ts'
import { missLnAt } from './grindChances.ts'
import { finenessOf, halfWindowLn } from './observations.ts'
import { type Option, type Spot, USUAL_NUDGE_G, optionAt } from './options.ts'
import { type Situation, isSameSpot, shotsAt, spotOf } from './situation.ts'
import type { DialInReason, SessionShot } from './types.ts'

/** A move that saves fewer shots than this is smaller than the noise; nor is it worth what it throws away in purging. */
const WORTH_MOVING = 0.08
/** Beyond this many spreads is almost certain. */
const SURELY = 1.64
/** Nothing is to be learnt from pulling one spot a third time off its window. */
const MOST_AT_ONE_SPOT = 2

/** Where to go from a shot that was off its window: another setting, another yield or dose, once more, or past the scale's end. */
export function moved(
  situation: Situation,
  last: SessionShot,
  options: readonly [Option, ...Option[]],
): Decision {
  const end = endOfScale(situation)
  if (end !== null) return atTheEnd(situation, last, end)
  const here = optionAt(spotOf(last, situation.recipe), situation)
  const [best] = options
  const isTriedOut = (spot: Spot) => offWindowAt(spot, situation) >= MOST_AT_ONE_SPOT
  const { grinder, recipe } = situation
  const worthMoving = Math.max(
    WORTH_MOVING,
    best.setting === here.setting ? 0 : grinder.purgeG / recipe.doseG,
  )
  if (here.shots - best.shots < worthMoving && !isTriedOut(here) && situation.isOpen(here.setting))
    return { step: 'repeat', spot: here, why: ['smaller-than-noise'] }
  const other = options.find((each) => !isSameSpot(each, here) && !isTriedOut(each)) ?? best
  return { step: stepTo(other, here), spot: other, why: whyOf(other) }
}

function whyOf({ doseByG, yieldByG }: Spot): DialInReason[] {
  if (doseByG === 0 && yieldByG === 0) return []
  return Math.abs(doseByG) > USUAL_NUDGE_G + 1e-9 ? ['steps-wider-than-window'] : ['target-between-steps']
}

function stepTo(to: Spot, from: Spot): Decision['step'] {
  if (to.yieldByG !== from.yieldByG && to.yieldByG !== 0) return 'nudge-yield'
  if (to.doseByG !== from.doseByG && to.doseByG !== 0) return 'nudge-dose'
  return 'move'
}

function offWindowAt(spot: Spot, situation: Situation): number {
  return shotsAt(spot, situation).filter(
    ({ cameOut, isGated }) => !isGated && (cameOut === 'fast' || cameOut === 'slow'),
  ).length
}

interface ScaleEnd {
  setting: number
  why: DialInReason
}

function atTheEnd({ grinder, recipe }: Situation, last: SessionShot, end: ScaleEnd): Decision {
  const spot = { ...spotOf(last, recipe), setting: end.setting }
  if (last.setting !== end.setting) return { step: 'move', spot, why: [end.why] }
  return { step: grinder.innerBurr === null ? 'judge-by-taste' : 'move-inner-burr', spot, why: [end.why] }
}

/** The end of the scale beyond which the target almost certainly lies. */
function endOfScale({ recipe, advisable, model }: Situation): ScaleEnd | null {
  const half = halfWindowLn(recipe)
  const isLower = advisable.finerIs === 'lower'
  const [finest, coarsest] = isLower
    ? [advisable.minSetting, advisable.maxSetting]
    : [advisable.maxSetting, advisable.minSetting]
  const at = (setting: number) => missLnAt(model, finenessOf(setting, advisable))
  const fastest = at(finest)
  if (fastest.mean + SURELY * fastest.sd < -half) return { setting: finest, why: 'scale-ends-finer' }
  const slowest = at(coarsest)
  return slowest.mean - SURELY * slowest.sd > half ? { setting: coarsest, why: 'scale-ends-coarser' } : null
}
