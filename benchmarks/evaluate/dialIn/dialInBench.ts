import {
  type DialInGrinder,
  type GrindSeen,
  type Recipe,
  type SessionShot,
  type ShotFacts,
  type TasteLeaning,
  grindSeen,
  readShot,
  sessionShot,
  tasteLeaning,
  unknownFacts,
} from '@calm-apron/core'
import {
  type Bench,
  CAREFUL_SHOT,
  EXAMPLE_BENCH,
  type Seeded,
  diameterAt,
  type ShotDone,
  settingFor,
  simulateFlow,
  simulateShot,
} from '@calm-apron/core/bench'
import { RECIPE } from '../recipe.ts'

/** How tidily a bar works: sd of the dose in g, the worst bed, and how often purging or the bed is botched. */
export interface Care {
  doseSdG: number
  worstBed: number
  notPurged: number
  botched: number
}
export const CAREFUL: Care = { doseSdG: 0.12, worstBed: 0.15, notPurged: 0.02, botched: 0.05 }
export const UNPREPARED: Care = { doseSdG: 0.4, worstBed: 0.5, notPurged: 0.2, botched: 0.08 }

/** What a house goes by: a scale under the cup, the clock alone (the machine stops by itself), or the tongue. */
export type GoesBy = 'weight' | 'clock' | 'taste'

/** A grinder and coffee whose target is hidden. */
export interface DialInBench {
  grinder: DialInGrinder
  bench: Bench
  care: Care
  goesBy: GoesBy
  /** Where most strategies begin. */
  startSetting: number
  /** ln of time per unit of setting about the target, as it truly is. */
  trueLnPerUnit: number
}

/** What to pull next: where the grinder stands, how much goes in and how much is wanted in the cup. */
export interface Wanted {
  setting: number
  doseG: number
  yieldG: number
}

/** The same recipe where a house goes by taste and only records the time. */
const BY_TASTE: Recipe = { ...RECIPE, school: { onlyRecorded: ['time'], volume: null, tampForce: null } }

/** The recipe that a bench is dialled in by. */
export function recipeOf({ goesBy }: Pick<DialInBench, 'goesBy'>): Recipe {
  return goesBy === 'taste' ? BY_TASTE : RECIPE
}

const GIVE_UP_S = 65
const CAREFUL_HANDS: ShotDone = { ...CAREFUL_SHOT, unevenness: 0.07, stopAtS: GIVE_UP_S }
/** How far a machine's own measure of the cup strays, as a share, and a trained tongue, on 0–10. */
const PROGRAMME_SD = 0.04
const TONGUE_SD = 0.5

/** Seconds to the yield without any slip of hand or clock. */
export function trueTimeS({ bench }: Pick<DialInBench, 'bench'>, { setting, doseG, yieldG }: Wanted): number {
  return simulateFlow(bench, { ...CAREFUL_HANDS, setting, doseG, stopAtG: yieldG }).stopS
}

/** Whether a spot truly belongs where the house wants it: in the window, or balanced. */
export function isTrulyRight(bench: DialInBench, wanted: Wanted): boolean {
  if (bench.goesBy === 'taste') return trueLeaning(bench, wanted) === 'balanced'
  const s = trueTimeS(bench, wanted)
  return s >= RECIPE.timeMinS && s <= RECIPE.timeMaxS
}

function trueLeaning({ bench }: DialInBench, { setting, doseG, yieldG }: Wanted): TasteLeaning | null {
  const { stopS, cup } = simulateShot(bench, { ...CAREFUL_HANDS, setting, doseG, stopAtG: yieldG })
  const taste = { sour: cup.sour, sweet: cup.sweet, bitter: cup.bitter, body: null, dryness: null }
  const clock = { firstDrop: 'missed', firstDropS: null, stopS, estimated: false } as const
  return tasteLeaning(readShot({ ...unknownFacts(), clock, taste }, BY_TASTE))
}

/** Every setting of a scale. */
export function settingsOf({ minSetting, maxSetting, settingStep }: DialInGrinder): number[] {
  const steps = Math.round((maxSetting - minSetting) / settingStep)
  return Array.from(
    { length: steps + 1 },
    (_, at) => Math.round((minSetting + at * settingStep) * 1000) / 1000,
  )
}

/** Puts the target of a bench at this setting. */
export function withTargetAt(bench: Bench, setting: number): Bench {
  const middleS = Math.sqrt(RECIPE.timeMinS * RECIPE.timeMaxS)
  const found = settingFor(bench, CAREFUL_HANDS, middleS)
  return {
    ...bench,
    bendsAt: setting,
    diameterAtZeroUm:
      bench.diameterAtZeroUm *
      (diameterAt(bench, found) / diameterAt({ ...bench, bendsAt: setting }, setting)),
  }
}

/** A coffee of its own on this scale, with its slope: from end to end, ln time runs through `spanLn`, if nothing bends. */
export function benchOn(
  scale: Pick<DialInGrinder, 'minSetting' | 'maxSetting' | 'finerIs'>,
  spanLn: number,
  bend: number,
  seeded: Seeded,
): Bench {
  const perUnit = spanLn / (scale.maxSetting - scale.minSetting)
  return {
    ...EXAMPLE_BENCH,
    diameterAtZeroUm: 10,
    // Time goes with the inverse square of the grain’s diameter.
    lnDiameterPerUnit: (scale.finerIs === 'lower' ? 1 : -1) * (perUnit / 2),
    bend,
    pump: { ...EXAMPLE_BENCH.pump, maxBar: seeded.between(8.6, 9.8) },
  }
}

/** What else is known of a shot in a history. */
export interface Then {
  daysAgo: number
  basketId: string
  innerBurrAt: number | null
  isDialIn: boolean
}

/** Pulls one shot with the slips of this bar and reads it as an app would. */
export function pullShot(
  dialled: DialInBench,
  wanted: Wanted & { settingBefore: number | null },
  seeded: Seeded,
): SessionShot {
  const { grinder } = dialled
  const readings = readPulled(dialled, wanted, seeded)
  const where = {
    coffeeId: COFFEE,
    basketId: BASKET,
    daysAgo: 0,
    setting: wanted.setting,
    innerBurrAt: grinder.innerBurr?.at ?? null,
    isDialIn: true,
  }
  const shot = sessionShot(readings, recipeOf(dialled), where, ['trainer'])
  if (shot === null) throw new Error('It was pulled by another clock.')
  return shot
}

/** The same as it stands in a history. */
export function pullBefore(
  dialled: DialInBench,
  setting: number,
  then: Then,
  seeded: Seeded,
  coffeeId: string = COFFEE,
): GrindSeen {
  const recipe = recipeOf(dialled)
  const wanted = { setting, doseG: recipe.doseG, yieldG: recipe.yieldG, settingBefore: null }
  const seen = grindSeen(readPulled(dialled, wanted, seeded), recipe, { coffeeId, setting, ...then })
  if (seen === null) throw new Error('It was pulled by another clock.')
  return seen
}

export const COFFEE = 'tern'
export const BASKET = 'double'

function readPulled(
  { bench, care, goesBy }: DialInBench,
  wanted: Wanted & { settingBefore: number | null },
  seeded: Seeded,
) {
  const recipe = recipeOf({ goesBy })
  const doseG = seeded.normal(wanted.doseG, care.doseSdG)
  const isBotched = seeded.chance(care.botched)
  const isChanged = wanted.settingBefore !== null && wanted.settingBefore !== wanted.setting
  const isUnpurged = isChanged && seeded.chance(care.notPurged)
  const stopSdG = goesBy === 'clock' ? PROGRAMME_SD * wanted.yieldG : 0.8
  const done: ShotDone = {
    ...CAREFUL_HANDS,
    setting: wanted.setting,
    unpurgedFrom: isUnpurged ? wanted.settingBefore : null,
    doseG,
    pressed: seeded.between(0.9, 1.1),
    unevenness: isBotched ? seeded.between(0.55, 0.85) : seeded.between(0, care.worstBed),
    stopAtG: seeded.normal(wanted.yieldG, stopSdG),
  }
  const today: Bench = { ...bench, porosity: bench.porosity * (1 + seeded.normal(0, 0.009)) }
  const shot = simulateFlow(today, done)
  const isChoked = shot.cupG < 0.6 * wanted.yieldG
  const isOff = wanted.doseG !== recipe.doseG || wanted.yieldG !== recipe.yieldG
  const facts: ShotFacts = {
    ...unknownFacts(),
    grindSetting: wanted.setting,
    // Half of what went wrong is noticed.
    grinderPurged: !(isUnpurged && seeded.chance(0.5)),
    machineHot: true,
    basketDry: true,
    rightBasket: true,
    bedEven: !(isBotched && seeded.chance(0.5)),
    dose: { by: 'net', netG: Math.round(10 * seeded.normal(doseG, 0.05)) / 10 },
    tamp: { tilt: 'level', lowSide: null, settled: true },
    clock: {
      firstDrop: shot.firstDropS === null ? 'none' : 'marked',
      firstDropS: shot.firstDropS === null ? null : Math.min(shot.stopS, shot.firstDropS),
      stopS: Math.max(0.1, shot.firstDropS ?? 0, Math.round(10 * seeded.normal(shot.stopS, 0.3)) / 10),
      estimated: false,
    },
    cup:
      shot.firstDropS === null || goesBy === 'clock'
        ? null
        : { by: 'net', netG: Math.round(10 * shot.cupG) / 10 },
    abandoned: isChoked ? 'choked' : null,
    ...(isOff ? { wanted: { doseG: wanted.doseG, yieldG: wanted.yieldG } } : {}),
  }
  const taste = goesBy === 'taste' && !isChoked ? tasted(today, done, seeded) : facts.taste
  return readShot({ ...facts, taste }, recipe)
}

function tasted(bench: Bench, done: ShotDone, seeded: Seeded): ShotFacts['taste'] {
  const { cup } = simulateShot(bench, done)
  const onScale = (value: number) => Math.min(10, Math.max(0, Math.round(2 * value) / 2))
  const noted = (value: number) => onScale(seeded.normal(value, TONGUE_SD))
  return {
    sour: noted(cup.sour),
    sweet: noted(cup.sweet),
    bitter: noted(cup.bitter),
    body: null,
    dryness: null,
  }
}
