import type { GrinderScale } from '../equipment/equipment.ts'
import type { GrindContext } from '../diagnosis/grindMove.ts'
import { type Seeded, seeded } from '../random/seeded.ts'
import { NO_CONTEXT, type ShotContext } from '../reading/context.ts'
import { DOSE_METHODS } from '../shot/doseMethod.ts'
import { PRESET_RECIPES } from '../recipe/presets.ts'
import type { Recipe } from '../recipe/recipe.ts'
import { SIGNS_BY_HAND, SIGNS_MARKED } from '../shot/signEntries.ts'
import { type ShotClock, type ShotFacts, unknownFacts } from '../shot/facts.ts'
import { PUCKS, STREAMS, TILTS } from '../shot/seen.ts'
import type { SignsSeen } from '../shot/signs.ts'
import { PUMP_RECIPE } from './examples.ts'

/** One shot of the bank, as the bar could enter it. */
export interface BankShot {
  facts: ShotFacts
  recipe: Recipe
  context: ShotContext
  grind: GrindContext
}

const RECIPES: readonly [Recipe, ...Recipe[]] = [
  PUMP_RECIPE,
  PRESET_RECIPES['normale-drop'].targets,
  PRESET_RECIPES['held-preinfusion'].targets,
  PRESET_RECIPES.volume.targets,
  PRESET_RECIPES['taste-led'].targets,
  PRESET_RECIPES.beginners.targets,
  { ...PUMP_RECIPE, taste: { sour: 5, sweet: 7, bitter: 2 } },
]
const GRINDERS: readonly [GrinderScale, ...GrinderScale[]] = [
  { minSetting: 0, maxSetting: 40, settingStep: 1, finerIs: 'lower', touchingAt: null },
  { minSetting: 0, maxSetting: 40, settingStep: 1, finerIs: 'lower', touchingAt: 2 },
  { minSetting: 1, maxSetting: 20, settingStep: 0.5, finerIs: 'higher', touchingAt: 18 },
  { minSetting: 0, maxSetting: 100, settingStep: 1, finerIs: 'higher', touchingAt: null },
]

/**
 * A shot drawn over all that the bar can enter: any of it left out, every clock and house, near its target or far off.
 * @param seed any integer; the same seed gives the same shot
 */
export function bankShot(seed: number): BankShot {
  const chance = seeded(seed)
  const maybe = <T>(value: () => T, often = 0.6): T | null => (chance.chance(often) ? value() : null)
  const recipe = chance.pick(RECIPES)
  const clock = maybe(() => clockOf(recipe, chance), 0.9)
  const abandoned = clock !== null && clock.stopS > 40 && chance.chance(0.3) ? 'choked' : null
  const answer = () => maybe(() => chance.chance(0.85))
  const byVolume = recipe.school?.volume ?? null
  const share = chance.chance(0.7) ? chance.normal(1, 0.05) : chance.between(0.1, 1.8)
  const tenths = (value: number) => Math.max(0, Math.round(10 * value) / 10)
  const hasCup = clock?.firstDrop !== 'none' && chance.chance(0.75)
  const axis = () => Math.round(chance.between(0, 10))
  const isTasted = chance.chance(0.5)
  const facts: ShotFacts = {
    ...unknownFacts(),
    grinderPurged: answer(),
    machineHot: answer(),
    basketDry: answer(),
    basketClean: answer(),
    rightBasket: answer(),
    bedEven: answer(),
    dose: maybe(() => ({ by: 'net' as const, netG: tenths(chance.normal(recipe.doseG, 0.5)) }), 0.8),
    tamp: { tilt: maybe(() => chance.pick(TILTS)), lowSide: null, settled: answer() },
    clock,
    cup: hasCup && byVolume === null ? { by: 'net', netG: tenths(share * recipe.yieldG) } : null,
    abandoned,
    taste: isTasted
      ? { sour: axis(), sweet: axis(), bitter: axis(), body: maybe(axis), dryness: maybe(axis) }
      : unknownFacts().taste,
    look: {
      stream: maybe(() => (chance.chance(0.7) ? 'even' : chance.pick(STREAMS)), 0.5),
      puck: maybe(() => (chance.chance(0.7) ? 'even' : chance.pick(PUCKS)), 0.4),
    },
    ...(hasCup && byVolume !== null
      ? { measured: { cupMl: tenths(share * byVolume.targetMl), tampForceN: null, leadG: null } }
      : {}),
  }
  const [context, grind] = [contextOf(chance), grindOf(chance)]
  return { facts: { ...facts, clock: sometimesHeldBack(clock, chance) }, recipe, context, grind }
}

/** Now and then a puck holds the water back for most of the shot. */
function sometimesHeldBack(clock: ShotClock | null, chance: Seeded): ShotClock | null {
  if (!chance.chance(0.05) || clock?.firstDropS == null || clock.preinfusionEndS != null) return clock
  return { ...clock, firstDropS: Math.round(10 * clock.stopS * chance.between(0.5, 0.95)) / 10 }
}

function clockOf(recipe: Recipe, chance: Seeded): ShotClock {
  const stopS = Math.round(10 * (chance.chance(0.6) ? chance.normal(29, 7) : chance.between(4, 90))) / 10
  const safeStopS = Math.max(3, stopS)
  if (chance.chance(0.06)) return { firstDrop: 'none', firstDropS: null, stopS: safeStopS, estimated: false }
  const isMissed = chance.chance(0.15)
  const firstDropS = Math.min(
    safeStopS,
    Math.max(1, Math.round(10 * safeStopS * chance.between(0.12, 0.4)) / 10),
  )
  const release = recipe.clock === 'pressure' && chance.chance(0.8) ? { preinfusionEndS: firstDropS } : {}
  return {
    firstDrop: isMissed ? 'missed' : 'marked',
    firstDropS: isMissed ? null : firstDropS,
    ...release,
    stopS: safeStopS,
    estimated: false,
  }
}

function contextOf(chance: Seeded): ShotContext {
  const signs: SignsSeen = {}
  // Mostly nobody looks; of those who do most see nothing.
  for (const sign of SIGNS_BY_HAND) if (chance.chance(0.08)) signs[sign] = chance.chance(0.4)
  for (const sign of SIGNS_MARKED) if (chance.chance(0.15)) signs[sign] = chance.chance(0.35)
  return {
    ...NO_CONTEXT,
    signs,
    doseMethod: chance.chance(0.8) ? 'scale' : chance.pick(DOSE_METHODS),
    coffeeAgeDays: chance.chance(0.6) ? Math.round(chance.between(0, 60)) : null,
    tongue: chance.chance(0.65) ? 'trusted' : 'learning',
    machine: chance.chance(0.6)
      ? { isLever: chance.chance(0.25), hasReleaseValve: chance.chance(0.75) }
      : null,
    grindMoved: chance.chance(0.4)
      ? { direction: chance.chance(0.5) ? 'finer' : 'coarser', steps: chance.pick([0, 1, 2, 4]) }
      : null,
    isRoastDark: chance.chance(0.4) ? chance.chance(0.3) : null,
    basketNominalG: chance.chance(0.5) ? chance.pick([9, 18, 20]) : null,
  }
}

function grindOf(chance: Seeded): GrindContext {
  const grinder = chance.pick(GRINDERS)
  const { minSetting, maxSetting, settingStep } = grinder
  const steps = Math.round((maxSetting - minSetting) / settingStep)
  // Often near an end, because that is where advice can hurt.
  const at = chance.chance(0.4)
    ? chance.pick([0, 1, 2, 3, 4, steps - 4, steps - 2, steps])
    : Math.floor(chance.between(0, steps))
  return chance.chance(0.9)
    ? { setting: minSetting + at * settingStep, grinder }
    : { setting: null, grinder: chance.chance(0.5) ? grinder : null }
}
