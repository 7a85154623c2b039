import { type PulledAt, sessionShot } from '../dialin/grindShot.ts'
import type { SessionShot } from '../dialin/types.ts'
import type { GrinderScale, Vessel } from '../equipment/equipment.ts'
import { readShot } from '../reading/readShot.ts'
import type { Recipe } from '../recipe/recipe.ts'
import { type ShotFacts, unknownFacts } from '../shot/facts.ts'

/** The recipe most tests judge by: pump clock, 25–31 s. */
export const PUMP_RECIPE: Recipe = {
  doseG: 18,
  doseToleranceG: 0.3,
  yieldG: 36,
  yieldToleranceG: 2,
  clock: 'pump',
  timeMinS: 25,
  timeMaxS: 31,
  firstDropMinS: 5,
  firstDropMaxS: 10,
  tasteTolerance: 2,
  sweetMin: 5,
}

/** The same double on the drop clock. */
export const DROP_RECIPE: Recipe = { ...PUMP_RECIPE, clock: 'drop', timeMinS: 20, timeMaxS: 26 }

/** A stepped grinder of forty settings; lower is finer. */
export const GRINDER: GrinderScale = {
  minSetting: 0,
  maxSetting: 40,
  settingStep: 1,
  finerIs: 'lower',
  touchingAt: null,
}

/** A portafilter with a known weight. */
export const PORTAFILTER: Vessel = { id: 'pf-3', name: 'Portafilter 3', kind: 'portafilter', emptyG: 412.6 }
/** A dosing cup with a known weight. */
export const DOSING_CUP: Vessel = { id: 'dc-1', name: 'Dosing cup', kind: 'dosing-cup', emptyG: 172.4 }

/** What of a careful shot is to be otherwise: g, s. */
export interface Pull {
  doseG?: number
  firstDropS?: number | null
  stopS?: number
  cupG?: number | null
}

/** Facts of a shot that was done with care; by default it is on target everywhere and not tasted. */
export function carefulShot(
  { doseG = 18, firstDropS = 7, stopS = 28, cupG = 36 }: Pull = {},
  also: Partial<ShotFacts> = {},
): ShotFacts {
  return {
    ...unknownFacts(),
    grindSetting: 14,
    grinderPurged: true,
    machineHot: true,
    basketDry: true,
    basketClean: true,
    rightBasket: true,
    bedEven: true,
    dose: { by: 'net', netG: doseG },
    tamp: { tilt: 'level', lowSide: null, settled: true },
    clock: { firstDrop: firstDropS === null ? 'missed' : 'marked', firstDropS, stopS, estimated: false },
    cup: cupG === null ? null : { by: 'net', netG: cupG },
    look: { stream: 'even', puck: 'even' },
    ...also,
  }
}

/** Taste of a cup, the two rarer axes left out. */
export function taste(sour: number, sweet: number, bitter: number): ShotFacts['taste'] {
  return { sour, sweet, bitter, body: null, dryness: null }
}

/** A shot in a grinder's history: a careful one of this session and coffee, unless said otherwise. */
export function grindShot(
  setting: number,
  pull: Pull,
  { where, ...also }: Partial<SessionShot> & { where?: Partial<PulledAt> } = {},
  facts: Partial<ShotFacts> = {},
  recipe: Recipe = PUMP_RECIPE,
): SessionShot {
  const at: PulledAt = {
    coffeeId: 'tern',
    basketId: null,
    daysAgo: 0,
    setting,
    innerBurrAt: null,
    isDialIn: true,
    ...where,
  }
  const shot = sessionShot(readShot(carefulShot(pull, facts), recipe), recipe, at, ['odalys'])
  if (shot === null) throw new Error('It was pulled by another clock.')
  return { ...shot, ...also }
}
