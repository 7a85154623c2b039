import { type DialInGrinder, type GrindShot, type ShotFacts, readShot, unknownFacts } from '@calm-apron/core'
import {
  type Bench,
  CAREFUL_SHOT,
  EXAMPLE_BENCH,
  type Seeded,
  diameterAt,
  type ShotDone,
  settingFor,
  simulateFlow,
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

/** A grinder and coffee whose target is hidden. */
export interface DialInBench {
  grinder: DialInGrinder
  bench: Bench
  care: Care
  /** Where most strategies begin. */
  startSetting: number
  /** ln of time per unit of setting, as it truly is. */
  trueLnPerUnit: number
}

const GIVE_UP_S = 65
const CAREFUL_HANDS: ShotDone = { ...CAREFUL_SHOT, unevenness: 0.07, stopAtS: GIVE_UP_S }

/** Seconds to the target yield without any slip of hand or clock. */
export function trueTimeS({ bench }: DialInBench, setting: number, doseG: number): number {
  return simulateFlow(bench, { ...CAREFUL_HANDS, setting, doseG }).stopS
}

export function isTrulyInWindow(bench: DialInBench, setting: number, doseG: number): boolean {
  const s = trueTimeS(bench, setting, doseG)
  return s >= RECIPE.timeMinS && s <= RECIPE.timeMaxS
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
    diameterAtZeroUm: bench.diameterAtZeroUm * (diameterAt(bench, found) / diameterAt(bench, setting)),
  }
}

/** A coffee of its own on this scale, with its slope: from end to end, ln time runs through `spanLn`. */
export function benchOn(
  scale: Pick<DialInGrinder, 'minSetting' | 'maxSetting' | 'finerIs'>,
  spanLn: number,
  seeded: Seeded,
): Bench {
  const perUnit = spanLn / (scale.maxSetting - scale.minSetting)
  return {
    ...EXAMPLE_BENCH,
    diameterAtZeroUm: 10,
    // Time goes with the inverse square of the grain’s diameter.
    lnDiameterPerUnit: (scale.finerIs === 'lower' ? 1 : -1) * (perUnit / 2),
    pump: { ...EXAMPLE_BENCH.pump, maxBar: seeded.between(8.6, 9.8) },
  }
}

/** Pulls one shot with the slips of this bar and reads it as an app would. */
export function pullShot(
  { bench, care, grinder }: DialInBench,
  wanted: { setting: number; doseG: number; settingBefore: number | null },
  seeded: Seeded,
): GrindShot {
  const doseG = seeded.normal(wanted.doseG, care.doseSdG)
  const isBotched = seeded.chance(care.botched)
  const isChanged = wanted.settingBefore !== null && wanted.settingBefore !== wanted.setting
  const isUnpurged = isChanged && seeded.chance(care.notPurged)
  const done: ShotDone = {
    ...CAREFUL_HANDS,
    setting: wanted.setting,
    unpurgedFrom: isUnpurged ? wanted.settingBefore : null,
    doseG,
    pressed: seeded.between(0.9, 1.1),
    unevenness: isBotched ? seeded.between(0.55, 0.85) : seeded.between(0, care.worstBed),
    stopAtG: seeded.normal(RECIPE.yieldG, 0.8),
  }
  const today: Bench = { ...bench, porosity: bench.porosity * (1 + seeded.normal(0, 0.009)) }
  const shot = simulateFlow(today, done)
  const isChoked = shot.cupG < 0.6 * RECIPE.yieldG
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
    cup: shot.firstDropS === null ? null : { by: 'net', netG: Math.round(10 * shot.cupG) / 10 },
    abandoned: isChoked ? 'choked' : null,
  }
  return {
    coffeeId: 'tern',
    daysAgo: 0,
    isThisSession: true,
    setting: wanted.setting,
    innerBurrAt: grinder.innerBurr?.at ?? null,
    doseWantedG: wanted.doseG === RECIPE.doseG ? null : wanted.doseG,
    readings: readShot(facts, RECIPE),
  }
}
