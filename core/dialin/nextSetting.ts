import { roundSetting } from '../equipment/grinder.ts'
import type { Recipe } from '../recipe/recipe.ts'
import { normalCdf } from '../statistics/normal.ts'
import { THRESHOLDS } from '../thresholds.ts'
import { type GrindModel, chancesAt, lnTimeAt } from './grindModel.ts'
import { finenessNow } from './observations.ts'
import type { DialInGrinder, DialInWish } from './types.ts'

/** A setting that could be pulled at next, with a dose off the recipe's where the target lies between two steps. */
export interface Option {
  setting: number
  doseByG: number
  inWindow: number
  /** Shots to expect until one lands, this one included. */
  shots: number
}

/** How many settings about the likeliest are weighed. */
const MOST_SETTINGS = 31
/** Doses to reach between two steps, in g, and what one costs in shots for being off the recipe. */
const NUDGES_G = [-0.3, -0.2, -0.1, 0.1, 0.2, 0.3] as const
const NUDGE_COST = 0.12
/** No next shot is surer than this to land. */
const LEAST_CHANCE = 0.05

/**
 * The option with the fewest shots to expect: if it doesn't land, the shot has still told where the target lies, and
 * the one after is that much likelier to. One look ahead stands for all further ones.
 */
export function bestOption(
  model: GrindModel,
  recipe: Recipe,
  grinder: DialInGrinder,
  wish: DialInWish,
): Option {
  const plain = optionsOf(settingsNear(model, recipe, grinder), [0], model, recipe, grinder)
  const best = fewest(plain)
  const nudges = nudgesWithin(recipe, wish)
  if (nudges.length === 0) return best
  const around = plain
    .filter(({ setting }) => Math.abs(setting - best.setting) < 1.5 * grinder.settingStep)
    .map(({ setting }) => setting)
  return fewest([best, ...optionsOf(around, nudges, model, recipe, grinder)])
}

function nudgesWithin(recipe: Recipe, { doseRangeG }: DialInWish): number[] {
  if (doseRangeG === null) return []
  return NUDGES_G.filter(
    (by) => recipe.doseG + by >= doseRangeG.min - 1e-9 && recipe.doseG + by <= doseRangeG.max + 1e-9,
  )
}

function fewest(options: readonly Option[]): Option {
  const [first, ...rest] = options
  if (first === undefined) throw new RangeError('a grinder needs at least one setting')
  return rest.reduce((best, each) => (each.shots < best.shots - 1e-9 ? each : best), first)
}

/** Window in ln of time. */
export function windowLn(recipe: Recipe): { from: number; to: number } {
  return { from: Math.log(recipe.timeMinS), to: Math.log(recipe.timeMaxS) }
}

/** Middle of the window, in ln of time. */
export function targetLn(recipe: Recipe): number {
  const { from, to } = windowLn(recipe)
  return (from + to) / 2
}

/** Settings of the scale about where the model puts the target. */
function settingsNear(model: GrindModel, recipe: Recipe, grinder: DialInGrinder): number[] {
  const { minSetting, maxSetting, settingStep } = grinder
  const wanted = model.at + (targetLn(recipe) - model.mean.level) / model.mean.slope
  const innerShift = finenessNow(0, grinder)
  const setting = (grinder.finerIs === 'higher' ? 1 : -1) * (wanted - innerShift)
  const steps = Math.round((maxSetting - minSetting) / settingStep)
  const middle = Math.min(steps, Math.max(0, Math.round((setting - minSetting) / settingStep)))
  const reach = (MOST_SETTINGS - 1) / 2
  // On a fine scale every second or third step is enough to look at.
  const stride = Math.max(1, Math.round((0.015 * 2) / (model.mean.slope * settingStep) / 2))
  const places = new Set<number>()
  for (let by = -reach; by <= reach; by += 1) {
    const place = middle + by * stride
    if (place >= 0 && place <= steps) places.add(place)
  }
  return [...places]
    .sort((a, b) => Math.abs(a - middle) - Math.abs(b - middle))
    .map((place) => onScale(minSetting + place * settingStep, grinder))
}

/** A setting within the scale. */
function onScale(setting: number, { minSetting, maxSetting }: DialInGrinder): number {
  return roundSetting(Math.min(maxSetting, Math.max(minSetting, setting)))
}

function optionsOf(
  settings: readonly number[],
  doses: readonly number[],
  model: GrindModel,
  recipe: Recipe,
  grinder: DialInGrinder,
): Option[] {
  return settings.flatMap((setting) =>
    doses.map((doseByG) => optionAt({ setting, doseByG }, model, recipe, grinder)),
  )
}

/** What is to be expected of one setting and dose. */
export function optionAt(
  { setting, doseByG }: Pick<Option, 'setting' | 'doseByG'>,
  model: GrindModel,
  recipe: Recipe,
  grinder: DialInGrinder,
): Option {
  const fineness = finenessNow(setting, grinder)
  const shift = THRESHOLDS.doseLnPerG * doseByG
  const { inWindow, landed } = chancesAt(model, fineness, windowLn(recipe), shift)
  const cost = doseByG === 0 ? 0 : NUDGE_COST
  const after = chanceAfter(model, fineness, recipe, grinder)
  return { setting, doseByG, inWindow, shots: 1 + cost + (1 - landed) / after }
}

/** Chance that the shot after this one lands, wherever the target then turns out to be. */
function chanceAfter(model: GrindModel, fineness: number, recipe: Recipe, grinder: DialInGrinder): number {
  const { mean, variance, at } = model
  const { from, to } = windowLn(recipe)
  const wanted = (targetLn(recipe) - mean.level) / mean.slope
  const here = fineness - at
  const seen = lnTimeAt(model, fineness).variance + mean.noise ** 2
  const together = variance.level + (wanted + here) * variance.both + wanted * here * variance.slope
  const before = lnTimeAt(model, at + wanted).variance
  const left = Math.max(0, before - together ** 2 / seen)
  // Between two steps the target is missed by up to half of one.
  const coarse = (mean.slope * grinder.settingStep) ** 2 / 12
  const half = (to - from) / 2
  const misses = Math.sqrt(left + coarse + mean.noise ** 2)
  return Math.max(LEAST_CHANCE, 2 * normalCdf(half / misses) - 1)
}
