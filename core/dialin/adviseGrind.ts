import { onScale, roundSetting } from '../equipment/grinder.ts'
import type { Recipe } from '../recipe/recipe.ts'
import { byTaste, isTasteLed } from './byTaste.ts'
import type { Decision } from './decision.ts'
import { bandAt, chancesAt } from './grindChances.ts'
import { held } from './landed.ts'
import { moved } from './moved.ts'
import { finenessOf, halfWindowLn, targetLn } from './observations.ts'
import { type Option, optionsOf, shiftOf } from './options.ts'
import { type GrindKnown, type Situation, situationOf } from './situation.ts'
import { spentOn } from './spent.ts'
import { tastedAs } from './tastedAs.ts'
import type { DialInReason, GrindAdvice, SessionShot } from './types.ts'
import { waysOut } from './waysOut.ts'

/**
 * The next shot of dialling in: where to set the grinder (or how else to reach the window), what time to expect, and
 * why. It chooses by the number of shots still to expect, and says so where repeating, tasting or leaving it is better
 * than moving.
 */
export function adviseGrind(known: GrindKnown): GrindAdvice {
  const situation = situationOf(known)
  const { recipe, grinder, model, last, wish } = situation
  const options = optionsOf({ ...situation, grinder: situation.advisable })
  const decision = decide(situation, options)
  // A shot may have been pulled where nobody should set the grinder again.
  const spot = { ...decision.spot, setting: onScale(decision.spot.setting, situation.advisable) }
  const fineness = finenessOf(spot.setting, grinder)
  const shift = shiftOf(spot, recipe, model)
  const { middle, low, high } = bandAt(model, fineness, shift)
  const seconds = (missLn: number) => Math.exp(targetLn(recipe) + missLn)
  const oneTenth = (g: number) => Math.round(10 * g) / 10
  return {
    step: decision.step,
    setting: spot.setting,
    doseG: oneTenth(recipe.doseG + spot.doseByG),
    yieldG: oneTenth(recipe.yieldG + spot.yieldByG),
    predicted: { s: seconds(middle), lowS: seconds(low), highS: seconds(high) },
    chanceInWindow: chancesAt(model, fineness, halfWindowLn(recipe), [shift])[0]?.inWindow ?? 0,
    why: [...decision.why, ...lastShotSays(last)],
    brackets: bracketsOf(situation),
    ranWellAt: ranWellAt(situation),
    tastedAs: tastedAs(situation, spot),
    waysOut: waysOut(situation, decision),
    purgeG: last !== null && last.setting !== spot.setting ? grinder.purgeG : 0,
    spent: spentOn(known.session, {
      usualDoseG: recipe.doseG,
      purgeG: grinder.purgeG,
      pricePerKg: wish.pricePerKg,
    }),
  }
}

function decide(situation: Situation, options: [Option, ...Option[]]): Decision {
  const { last, from } = situation
  const [best] = options
  if (last === null) {
    const spot = from === 'middle-of-scale' ? { ...best, setting: middleOf(situation.grinder) } : best
    return { step: 'start', spot, why: [from] }
  }
  if (isTasteLed(situation)) return byTaste(situation, last)
  return held(situation, last, best) ?? moved(situation, last, options)
}

/** With nothing known there is as much to learn on either side. */
function middleOf({ minSetting, maxSetting, settingStep }: Situation['grinder']): number {
  const steps = Math.round((maxSetting - minSetting) / settingStep / 2)
  return roundSetting(minSetting + steps * settingStep)
}

function lastShotSays(last: SessionShot | null): DialInReason[] {
  if (last === null) return []
  const says: DialInReason[] = last.isGated ? ['gate-failed'] : []
  switch (last.cameOut) {
    case 'choked':
    case 'gushed':
      return [...says, last.cameOut]
    case 'fast':
      return [...says, 'last-was-fast']
    case 'slow':
      return [...says, 'last-was-slow']
    default:
      return says
  }
}

function bracketsOf({ session, grinder }: Situation): GrindAdvice['brackets'] {
  const fineness = (shot: SessionShot) => finenessOf(shot.setting, grinder)
  const sound = session.filter((shot) => !shot.isGated)
  const [finest] = sound
    .filter(({ cameOut }) => cameOut === 'fast' || cameOut === 'gushed')
    .toSorted((a, b) => fineness(b) - fineness(a))
  const [coarsest] = sound
    .filter(({ cameOut }) => cameOut === 'slow' || cameOut === 'choked')
    .toSorted((a, b) => fineness(a) - fineness(b))
  return { fast: finest?.setting ?? null, slow: coarsest?.setting ?? null }
}

/** People fear the grinder less when they know the way back. */
function ranWellAt({ session, history, wish, recipe, grinder }: Situation): number | null {
  const here = session.findLast(({ cameOut, isGated }) => cameOut === 'in-window' && !isGated)
  if (here !== undefined) return here.setting
  const burr = grinder.innerBurr?.at ?? null
  const before = history.findLast(
    ({ coffeeId, timeS, bound, innerBurrAt }) =>
      coffeeId === wish.coffeeId &&
      innerBurrAt === burr &&
      bound === null &&
      timeS !== null &&
      isWithin(timeS, recipe),
  )
  return before?.setting ?? null
}

function isWithin(s: number, { timeMinS, timeMaxS }: Recipe): boolean {
  return s >= timeMinS && s <= timeMaxS
}
