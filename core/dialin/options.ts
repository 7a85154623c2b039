import { finerSign, roundSetting } from '../equipment/grinder.ts'
import type { Recipe } from '../recipe/recipe.ts'
import { usualFirstDropS } from '../shot/firstDrop.ts'
import { normalCdf } from '../statistics/normal.ts'
import { type Chances, chancesAt } from './grindChances.ts'
import type { GrindModel } from './grindModel.ts'
import { finenessOf, halfWindowLn } from './observations.ts'
import type { DialInGrinder, DialInWish } from './types.ts'

/** Where a shot could be pulled next: a setting, and how far dose and yield lie off the recipe's. */
export interface Spot {
  setting: number
  doseByG: number
  yieldByG: number
}

/** A spot with what is to be expected of it. */
export interface Option extends Spot, Chances {
  /** Shots to expect until one lands, this one included. */
  shots: number
}

/** Nobody turns a grinder further than this part of its scale at once: what lies there is not known. */
const MOST_OF_SCALE = 0.5
/** How many settings about the likeliest are weighed. */
const MOST_SETTINGS = 11
/**
 * What reaches between two steps, and what each costs in shots for being off the recipe: yield goes before dose, and both
 * at once only where neither reaches.
 */
const NUDGES = [
  ...[1, -1, 2, -2].map((yieldByG) => ({ yieldByG, doseByG: 0, cost: 0.08 })),
  ...[0.1, -0.1, 0.2, -0.2, 0.3, -0.3].map((doseByG) => ({ yieldByG: 0, doseByG, cost: 0.2 })),
  ...[0.4, -0.4, 0.5, -0.5, 0.6, -0.6].map((doseByG) => ({ yieldByG: 0, doseByG, cost: 0.3 })),
  ...[1, -1].map((sign) => ({ yieldByG: 2 * sign, doseByG: 0.3 * sign, cost: 0.4 })),
] as const
/** A setting that is less likely than this to belong in the window need not be tried as it is. */
const SURELY_MISSES = 0.2
/** No next shot is surer than this to land. */
const LEAST_CHANCE = 0.05

/** Settings between which the next may lie: never back to or beyond one that is known to be far out. */
export interface OpenSettings {
  isOpen: (setting: number) => boolean
}

/** What a step or a nudge is weighed by. */
export interface Weighing extends OpenSettings {
  lastSetting: number | null
  /** Settings that were pulled at in this session, as the recipe says or off it. */
  triedSettings: ReadonlySet<number>
  model: GrindModel
  recipe: Recipe
  grinder: DialInGrinder
  wish: DialInWish
}

/**
 * The options, the one with the fewest shots to expect first: if it doesn't land, the shot has still told where the
 * target lies, and the one after is that much likelier to. One look ahead stands for all further ones.
 */
export function optionsOf(weighing: Weighing): [Option, ...Option[]] {
  const plain = settingsNear(weighing).flatMap((setting) => optionsAt(setting, [AS_THE_RECIPE], weighing))
  if (!areStepsWide(weighing)) return sorted(plain)
  const nudges = nudgesWithin(weighing)
  const [best] = sorted(plain)
  // A dose or yield is moved only where the setting itself was seen to miss, or surely would.
  const nudged = plain
    .filter(({ setting }) => Math.abs(setting - best.setting) < 1.5 * weighing.grinder.settingStep)
    .filter(({ setting, belongs }) => weighing.triedSettings.has(setting) || belongs < SURELY_MISSES)
    .flatMap(({ setting }) => optionsAt(setting, nudges, weighing))
  return sorted([...plain, ...nudged])
}

/** What one step of this grinder does to ln time about the target. */
function stepLn({ model, grinder }: Pick<Weighing, 'model' | 'grinder'>): number {
  return model.mean.slope * grinder.settingStep
}

/** Whether a step moves the time by more than half its window, so that none may land. */
function areStepsWide(weighing: Weighing): boolean {
  return stepLn(weighing) > halfWindowLn(weighing.recipe)
}

function sorted(options: readonly Option[]): [Option, ...Option[]] {
  const [first, ...rest] = options.toSorted((a, b) => a.shots - b.shots)
  if (first === undefined) throw new RangeError('a grinder needs at least one setting')
  return [first, ...rest]
}

/** More than this, either way, only where a step of the grinder is wider than the whole window. */
export const USUAL_NUDGE_G = 0.3

function nudgesWithin(weighing: Weighing): (typeof NUDGES)[number][] {
  const {
    recipe,
    wish: { doseRangeG },
  } = weighing
  const mostG = stepLn(weighing) > 2 * halfWindowLn(recipe) ? Infinity : USUAL_NUDGE_G
  const isInside = (doseG: number) =>
    doseRangeG !== null && doseG >= doseRangeG.min - 1e-9 && doseG <= doseRangeG.max + 1e-9
  return NUDGES.filter(
    ({ doseByG }) => doseByG === 0 || (Math.abs(doseByG) <= mostG && isInside(recipe.doseG + doseByG)),
  )
}

/** Settings of the scale about where the model puts the target, as far as they are open. */
function settingsNear({ model, grinder, isOpen, lastSetting }: Weighing): number[] {
  const { minSetting, maxSetting, settingStep } = grinder
  const setting = finerSign(grinder) * model.middle
  const steps = Math.round((maxSetting - minSetting) / settingStep)
  const middle = Math.min(steps, Math.max(0, Math.round((setting - minSetting) / settingStep)))
  // On a fine scale every second or third step is enough to look at.
  const stride = Math.max(1, Math.round(0.02 / (model.mean.slope * settingStep)))
  const places = Array.from({ length: steps + 1 }, (_, place) => place)
    .filter((place) => (place - middle) % stride === 0)
    .map((place) => roundSetting(minSetting + place * settingStep))
    .toSorted((a, b) => Math.abs(a - setting) - Math.abs(b - setting))
  const reach = MOST_OF_SCALE * (maxSetting - minSetting)
  const isReached = (place: number) => lastSetting === null || Math.abs(place - lastSetting) <= reach
  const open = places.filter((place) => isOpen(place) && isReached(place))
  return (open.length > 0 ? open : places).slice(0, MOST_SETTINGS)
}

/** What another dose and yield do to ln time: only what flows is longer or shorter with the yield. */
export function shiftOf(
  { doseByG, yieldByG }: Omit<Spot, 'setting'>,
  recipe: Recipe,
  model: GrindModel,
): number {
  if (doseByG === 0 && yieldByG === 0) return 0
  const { doseG, yieldG, timeMinS, timeMaxS, clock } = recipe
  const middleS = (timeMinS + timeMaxS) / 2
  const dryS = clock === 'pump' ? Math.min(middleS, usualFirstDropS(recipe)) : 0
  return (
    model.dose.elasticity * Math.log1p(doseByG / doseG) + (1 - dryS / middleS) * Math.log1p(yieldByG / yieldG)
  )
}

/** What is to be expected of one spot. */
export function optionAt(spot: Spot, weighing: Weighing): Option {
  const [option] = optionsAt(spot.setting, [spot], weighing)
  if (option === undefined) throw new RangeError('one nudge has one option')
  return option
}

/** What is to be expected of one setting with each of these doses and yields. */
function optionsAt(setting: number, nudges: readonly Omit<Spot, 'setting'>[], weighing: Weighing): Option[] {
  const { model, recipe, grinder } = weighing
  const half = halfWindowLn(recipe)
  const shifts = nudges.map((nudge) => shiftOf(nudge, recipe, model))
  // Between two steps the target is missed by up to half of one.
  const coarse = stepLn(weighing) ** 2 / 12
  return chancesAt(model, finenessOf(setting, grinder), half, shifts).map((chances, no) => {
    const { doseByG, yieldByG } = nudges[no] ?? AS_THE_RECIPE
    const misses = Math.sqrt(chances.leftSd ** 2 + coarse + model.mean.noise ** 2)
    const after = Math.max(LEAST_CHANCE, 2 * normalCdf(half / misses) - 1)
    const shots = 1 + costOf({ doseByG, yieldByG }) + (1 - chances.landed) / after
    return { setting, doseByG, yieldByG, ...chances, shots }
  })
}

const AS_THE_RECIPE = { doseByG: 0, yieldByG: 0 }

function costOf({ doseByG, yieldByG }: Omit<Spot, 'setting'>): number {
  return NUDGES.find((each) => each.doseByG === doseByG && each.yieldByG === yieldByG)?.cost ?? 0
}
