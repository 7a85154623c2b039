import { tasteLeaning } from '../diagnosis/taste.ts'
import { ranFast, ranSlow } from '../reading/flow.ts'
import type { Recipe } from '../recipe/recipe.ts'
import { THRESHOLDS } from '../thresholds.ts'
import { belongsAt, chancesAt, lnTimeAt } from './grindModel.ts'
import { type Option, bestOption, optionAt, windowLn } from './nextSetting.ts'
import { finenessNow, finenessOf } from './observations.ts'
import { type Situation, situationOf } from './situation.ts'
import type { DialInGrinder, DialInReason, DialInStep, DialInWish, GrindAdvice, GrindShot } from './types.ts'

/** Four times out of five a shot falls within this many spreads. */
const FOUR_IN_FIVE = 1.2816
/** A setting is held for its confirming shot, and then kept, where it is this likely to belong in the window. */
const WORTH_CONFIRMING = 0.5
const SURE_OF_WINDOW = 0.85
/** A move that saves fewer shots than this is smaller than the noise. */
const WORTH_MOVING = 0.08
/** Beyond this many spreads is almost certain. */
const SURELY = 1.64

/**
 * The next shot of dialling in: where to set the grinder (or how else to reach the window), what time to expect, and
 * why. It chooses by the number of shots still to expect, and says so where repeating, tasting or leaving it is better
 * than moving.
 * @param history shots of this grinder under any coffee, oldest first; this session's are those marked as such
 */
export function adviseGrind(
  history: readonly GrindShot[],
  recipe: Recipe,
  grinder: DialInGrinder,
  wish: DialInWish,
): GrindAdvice {
  const situation = situationOf(history, recipe, grinder, wish)
  const decision = decide(situation)
  const { step, why } = decision
  const option = { ...decision.option, setting: onAdvisable(decision.option.setting, situation) }
  const { model, last } = situation
  const shift = THRESHOLDS.doseLnPerG * option.doseByG
  const fineness = finenessNow(option.setting, grinder)
  const expected = lnTimeAt(model, fineness)
  const sd = Math.sqrt(expected.variance + model.mean.noise ** 2)
  const secondsAt = (sds: number) => Math.exp(expected.mean + shift + sds * sd)
  return {
    step,
    setting: option.setting,
    doseG: Math.round(10 * (recipe.doseG + option.doseByG)) / 10,
    predicted: { s: secondsAt(0), lowS: secondsAt(-FOUR_IN_FIVE), highS: secondsAt(FOUR_IN_FIVE) },
    chanceInWindow: chancesAt(model, fineness, windowLn(recipe), shift).inWindow,
    why: [...why, ...lastShotSays(last)],
    brackets: bracketsOf(situation),
    purgeG: last !== null && last.setting !== option.setting ? grinder.purgeG : 0,
    spent: spentOn(situation, wish),
  }
}

/** A shot may have been pulled where nobody should set the grinder again. */
function onAdvisable(setting: number, { advisable: { minSetting, maxSetting } }: Situation): number {
  return Math.min(maxSetting, Math.max(minSetting, setting))
}

interface Decision {
  step: DialInStep
  option: Pick<Option, 'setting' | 'doseByG'>
  why: DialInReason[]
}

function decide(situation: Situation): Decision {
  const { last, recipe, advisable, wish, model, level } = situation
  const best = bestOption(model, recipe, advisable, wish)
  if (last === null) return { step: 'start', option: best, why: [level.from] }
  return held(situation, last, best) ?? moved(situation, last, best)
}

/** The shots that are not moved away from: a good cup, and one in the window that is likely to belong there. */
function held(
  { session, recipe, model, grinder }: Situation,
  last: GrindShot,
  best: Option,
): Decision | null {
  const option = { setting: last.setting, doseByG: doseByG(last, recipe) }
  const leaning = tasteLeaning(last.readings)
  if (!isInWindow(last))
    return leaning === 'balanced' ? { step: 'leave', option, why: ['tastes-good'] } : null
  const fineness = finenessOf(last.setting, last.innerBurrAt, grinder)
  const belongs = belongsAt(model, fineness, windowLn(recipe), THRESHOLDS.doseLnPerG * option.doseByG)
  if (isConfirmed(session) && belongs >= SURE_OF_WINDOW) {
    if (leaning !== null && leaning !== 'balanced')
      return { step: 'judge-by-taste', option, why: ['in-window-but-tastes-off'] }
    return {
      step: 'done',
      option,
      why: ['in-window-twice', ...(leaning === null ? (['not-tasted'] as const) : [])],
    }
  }
  const isBestHere = best.setting === option.setting && best.doseByG === option.doseByG
  return belongs >= WORTH_CONFIRMING || isBestHere
    ? { step: 'confirm', option, why: ['in-window-once'] }
    : null
}

function isConfirmed(session: readonly GrindShot[]): boolean {
  const [before, last] = [session.at(-2), session.at(-1)]
  return (
    before !== undefined &&
    last !== undefined &&
    before.setting === last.setting &&
    before.doseWantedG === last.doseWantedG &&
    isInWindow(before) &&
    !isGated(last)
  )
}

function moved(situation: Situation, last: GrindShot, best: Option): Decision {
  const { recipe, grinder, model } = situation
  const end = endOfScale(situation)
  if (end !== null) {
    const step =
      last.setting !== end.setting
        ? 'move'
        : grinder.innerBurr === null
          ? 'judge-by-taste'
          : 'move-inner-burr'
    return { step, option: { setting: end.setting, doseByG: 0 }, why: [end.why] }
  }
  const here = optionAt({ setting: last.setting, doseByG: doseByG(last, recipe) }, model, recipe, grinder)
  if (here.shots - best.shots < WORTH_MOVING)
    return { step: 'repeat', option: here, why: ['smaller-than-noise'] }
  return best.doseByG !== 0
    ? { step: 'nudge-dose', option: best, why: ['target-between-steps'] }
    : { step: 'move', option: best, why: [] }
}

/** The end of the scale beyond which the target almost certainly lies. */
function endOfScale({
  recipe,
  advisable: grinder,
  model,
}: Situation): { setting: number; why: DialInReason } | null {
  const { from, to } = windowLn(recipe)
  const isLower = grinder.finerIs === 'lower'
  const [finest, coarsest] = isLower
    ? [grinder.minSetting, grinder.maxSetting]
    : [grinder.maxSetting, grinder.minSetting]
  const at = (setting: number) => {
    const { mean, variance } = lnTimeAt(model, finenessNow(setting, grinder))
    return { mean, sd: Math.sqrt(variance) }
  }
  const [fastest, slowest] = [at(finest), at(coarsest)]
  if (fastest.mean + SURELY * fastest.sd < from) return { setting: finest, why: 'scale-ends-finer' }
  return slowest.mean - SURELY * slowest.sd > to ? { setting: coarsest, why: 'scale-ends-coarser' } : null
}

function doseByG({ doseWantedG }: GrindShot, recipe: Recipe): number {
  return doseWantedG === null ? 0 : doseWantedG - recipe.doseG
}

function isInWindow({ readings: { time } }: GrindShot): boolean {
  return time.judged && time.standing === 'on'
}

function isGated({ readings: { gate } }: GrindShot): boolean {
  return gate.faults.some((fault) => fault !== 'tamp-slightly-tilted')
}

function lastShotSays(last: GrindShot | null): DialInReason[] {
  if (last === null) return []
  const says: DialInReason[] = isGated(last) ? ['gate-failed'] : []
  switch (last.readings.flow.state) {
    case 'choking':
      return [...says, 'choked']
    case 'gushing':
      return [...says, 'gushed']
    case 'fast':
      return [...says, 'last-was-fast']
    case 'slow':
      return [...says, 'last-was-slow']
    default:
      return says
  }
}

function bracketsOf({ session, grinder }: Situation): GrindAdvice['brackets'] {
  const fineness = (shot: GrindShot) => finenessOf(shot.setting, shot.innerBurrAt, grinder)
  const sound = session.filter((shot) => !isGated(shot))
  const finest = sound
    .filter(({ readings }) => ranFast(readings.flow))
    .sort((a, b) => fineness(b) - fineness(a))
  const coarsest = sound
    .filter(({ readings }) => ranSlow(readings.flow))
    .sort((a, b) => fineness(a) - fineness(b))
  return { fast: finest[0]?.setting ?? null, slow: coarsest[0]?.setting ?? null }
}

function spentOn({ session, grinder, recipe }: Situation, { pricePerKg }: DialInWish): GrindAdvice['spent'] {
  const purges = session.filter((shot, at) => at > 0 && shot.setting !== session[at - 1]?.setting).length
  const doses = session.reduce(
    (sum, { readings: { dose } }) => sum + (dose.judged ? dose.value : recipe.doseG),
    0,
  )
  const grams = doses + purges * grinder.purgeG
  return { shots: session.length, grams, money: pricePerKg === null ? null : (grams / 1000) * pricePerKg }
}
