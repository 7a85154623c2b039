import type { DialInGrinder, GrindShot } from '@calm-apron/core'
import { type Seeded, seeded } from '@calm-apron/core/bench'
import {
  CAREFUL,
  type Care,
  type DialInBench,
  UNPREPARED,
  benchOn,
  isTrulyInWindow,
  pullShot,
  settingsOf,
  withTargetAt,
} from './dialInBench.ts'
import { RECIPE } from '../recipe.ts'

/** One bench to dial in, with what its grinder is known to have done before. */
export interface DialInCase {
  bench: DialInBench
  earlier: readonly GrindShot[]
}

/** A kind of bench, reported by itself. */
export interface DialInGroup {
  name: string
  says: string
  /** Of this many seeds. */
  count: number
  make: (chance: Seeded) => DialInCase
}

const SCALES: readonly [Scale, ...Scale[]] = [
  { steps: 16, settingStep: 1 },
  { steps: 30, settingStep: 1 },
  { steps: 60, settingStep: 1 },
  { steps: 30, settingStep: 0.1 },
]
interface Scale {
  steps: number
  settingStep: number
}

function scaleOf(chance: Seeded): Omit<DialInGrinder, 'lnTimePerUnit' | 'innerBurr' | 'purgeG'> {
  const { steps, settingStep } = chance.pick(SCALES)
  const finerIs = chance.chance(0.5) ? 'lower' : 'higher'
  const maxSetting = steps
  // The burrs touch just beyond the scale, so that all of it may be advised.
  const touchingAt = finerIs === 'lower' ? -settingStep : maxSetting + settingStep
  return { minSetting: 0, maxSetting, settingStep, finerIs, touchingAt }
}

interface Wish {
  care?: Care
  /** Where the target lies between two steps: 0 on one, 0.5 in the middle. */
  offStep?: readonly [number, number]
  /** From end to end of the scale, ln time runs through this. */
  spanLn?: readonly [number, number]
  startsAnywhere?: boolean
  /** The prior for the slope, as a multiple of the true one; null: from the length of the scale. */
  priorTimes?: number
}

function makeBench(chance: Seeded, wish: Wish): DialInBench {
  const { care = CAREFUL, offStep = [-0.25, 0.25], spanLn = [2, 3.6], startsAnywhere = false } = wish
  const scale = scaleOf(chance)
  const span = chance.between(...spanLn)
  const steps = (scale.maxSetting - scale.minSetting) / scale.settingStep
  const place = Math.round(steps * chance.between(0.25, 0.75)) + chance.between(...offStep)
  const target = scale.minSetting + place * scale.settingStep
  const trueLnPerUnit = span / (scale.maxSetting - scale.minSetting)
  return {
    grinder: {
      ...scale,
      innerBurr: null,
      lnTimePerUnit: wish.priorTimes === undefined ? null : trueLnPerUnit * wish.priorTimes,
      purgeG: 3,
    },
    bench: withTargetAt(benchOn(scale, span, chance), target),
    care,
    startSetting: startOf(scale, target, startsAnywhere, chance),
    trueLnPerUnit,
  }
}

function startOf(
  { maxSetting, settingStep }: Pick<DialInGrinder, 'maxSetting' | 'settingStep'>,
  target: number,
  isAnywhere: boolean,
  chance: Seeded,
): number {
  const far = target < maxSetting / 2 ? chance.between(0.85, 1) : chance.between(0, 0.15)
  const wanted = isAnywhere ? far * maxSetting : maxSetting / 2
  return Math.round(wanted / settingStep) * settingStep
}

function reachable(chance: Seeded, wish: Wish = {}): DialInBench {
  for (;;) {
    const bench = makeBench(chance, wish)
    const { minSetting, maxSetting, settingStep } = bench.grinder
    const steps = Math.round((maxSetting - minSetting) / settingStep)
    const stride = Math.max(1, Math.floor(steps / 60))
    for (let at = 0; at <= steps; at += stride) {
      if (isTrulyInWindow(bench, minSetting + at * settingStep, RECIPE.doseG)) return bench
    }
  }
}

/** Steps so wide that the window falls between two of them, and up to 0.3 g more or less reaches it. */
function between(chance: Seeded): DialInBench {
  for (;;) {
    const bench = makeBench(chance, { offStep: [0.4, 0.6], spanLn: [3.4, 4.6] })
    const settings = settingsOf(bench.grinder)
    if (settings.length > 40) continue
    const lands = (by: number) => settings.some((each) => isTrulyInWindow(bench, each, RECIPE.doseG + by))
    if (!lands(0) && [-0.3, -0.2, 0.2, 0.3].some(lands)) return bench
  }
}

/** Yesterday's shots of the same coffee: some on the way, the last two where it landed; overnight it has moved a little. */
function withHistory(chance: Seeded): DialInCase {
  const bench = reachable(chance)
  const { grinder } = bench
  const perUnit = (grinder.finerIs === 'higher' ? 1 : -1) * bench.trueLnPerUnit
  const overnight = chance.normal(0, 0.04) / perUnit
  const yesterday: DialInBench = { ...bench, bench: shifted(bench.bench, overnight) }
  const landed = settingsOf(grinder).find((each) => isTrulyInWindow(yesterday, each, RECIPE.doseG))
  if (landed === undefined) return withHistory(chance)
  const step = Math.max(grinder.settingStep, 0.2 / bench.trueLnPerUnit)
  const steps = Math.max(1, Math.round(step / grinder.settingStep)) * grinder.settingStep
  const settings = [landed - steps, landed + steps, landed, landed].map((each) =>
    Math.min(grinder.maxSetting, Math.max(grinder.minSetting, Math.round(each * 1000) / 1000)),
  )
  const earlier = settings.map((setting) => ({
    ...pullShot(yesterday, { setting, doseG: RECIPE.doseG, settingBefore: null }, chance),
    daysAgo: 1,
    isThisSession: false,
  }))
  return { bench, earlier }
}

/** The same grinder and coffee, with everything `by` settings further on. */
function shifted(bench: DialInBench['bench'], by: number): DialInBench['bench'] {
  return {
    ...bench,
    bendsAt: bench.bendsAt + by,
    diameterAtZeroUm: bench.diameterAtZeroUm * Math.exp(-bench.lnDiameterPerUnit * by),
  }
}

const fresh = (make: (chance: Seeded) => DialInBench) => (chance: Seeded) => ({
  bench: make(chance),
  earlier: [],
})

export const GROUPS: readonly DialInGroup[] = [
  {
    name: 'reachable',
    says: 'the target can be had on a step; begins mid-scale',
    count: 300,
    make: fresh((chance) => reachable(chance)),
  },
  {
    name: 'between steps',
    says: 'it lies between two steps; the dose is the way out',
    count: 150,
    make: fresh(between),
  },
  {
    name: 'starts far off',
    says: 'begins at the wrong end of the scale',
    count: 150,
    make: fresh((chance) => reachable(chance, { startsAnywhere: true })),
  },
  {
    name: 'unprepared',
    says: 'dose sd 0.4 g, uneven beds, a fifth of the changes not purged',
    count: 150,
    make: fresh((chance) => reachable(chance, { care: UNPREPARED })),
  },
  {
    name: 'with history',
    says: 'the same coffee was dialled in yesterday; everybody knows those shots',
    count: 150,
    make: withHistory,
  },
  {
    name: 'prior × 2',
    says: 'as reachable, but the prior slope is twice the true one',
    count: 100,
    make: fresh((chance) => reachable(chance, { priorTimes: 2 })),
  },
  {
    name: 'prior ÷ 2',
    says: 'as reachable, but the prior slope is half the true one',
    count: 100,
    make: fresh((chance) => reachable(chance, { priorTimes: 0.5 })),
  },
]

/** @param seed the first of the group's seeds */
export function casesOf(group: DialInGroup, seed: number): DialInCase[] {
  return Array.from({ length: group.count }, (_, at) => group.make(seeded(seed + at)))
}
