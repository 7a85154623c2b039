import type { DialInGrinder, GrindSeen } from '@calm-apron/core'
import { type Seeded, seeded } from '@calm-apron/core/bench'
import {
  BASKET,
  CAREFUL,
  type Care,
  type DialInBench,
  type GoesBy,
  UNPREPARED,
  type Wanted,
  benchOn,
  isTrulyRight,
  pullBefore,
  settingsOf,
  trueTimeS,
  withTargetAt,
} from './dialInBench.ts'
import { RECIPE } from '../recipe.ts'

/** One bench to dial in, with what its grinder is known to have done before. */
export interface DialInCase {
  bench: DialInBench
  earlier: readonly GrindSeen[]
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

function scaleOf(
  chance: Seeded,
  { steps, settingStep }: Scale,
): Omit<DialInGrinder, 'lnTimePerUnit' | 'innerBurr' | 'purgeG'> {
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
  /** From end to end of the scale, ln time runs through this, if nothing bends. */
  spanLn?: readonly [number, number]
  bend?: readonly [number, number]
  startsAnywhere?: boolean
  /** The prior for the slope, as a multiple of the true one; null: from the length of the scale. */
  priorTimes?: number
  scale?: Scale
  goesBy?: GoesBy
  innerBurr?: DialInGrinder['innerBurr']
}

/** A scale that bends by itself, either way: its ends do half as much, or half as much again, as its middle. */
const BENT = 0.6

function makeBench(chance: Seeded, wish: Wish): DialInBench {
  const { care = CAREFUL, offStep = [-0.25, 0.25], spanLn = [2, 3.6], bend = [0, 0] } = wish
  const scale = { ...scaleOf(chance, wish.scale ?? chance.pick(SCALES)), innerBurr: wish.innerBurr ?? null }
  const span = chance.between(...spanLn)
  const steps = (scale.maxSetting - scale.minSetting) / scale.settingStep
  const place = Math.round(steps * chance.between(0.25, 0.75)) + chance.between(...offStep)
  const target = scale.minSetting + place * scale.settingStep
  const plain = withTargetAt(benchOn(scale, span, chance.between(...bend), chance), target)
  // By taste the right place lies elsewhere than the clock's window, by what a coffee gives early or late.
  const pace = wish.goesBy === 'taste' ? chance.between(-0.5, 0.5) : 0
  const bench = { ...plain, coffee: { ...plain.coffee, pace } }
  const trueLnPerUnit = slopeAbout(bench, target, scale.settingStep)
  return {
    grinder: {
      ...scale,
      lnTimePerUnit: wish.priorTimes === undefined ? null : trueLnPerUnit * wish.priorTimes,
      purgeG: 3,
    },
    bench,
    care,
    goesBy: wish.goesBy ?? 'weight',
    startSetting: startOf(scale, target, wish.startsAnywhere ?? false, chance),
    trueLnPerUnit,
  }
}

/** ln of time per unit of setting about the target, as the bench itself runs. */
function slopeAbout(bench: DialInBench['bench'], target: number, settingStep: number): number {
  const lnAt = (setting: number) =>
    Math.log(trueTimeS({ bench }, { setting, doseG: RECIPE.doseG, yieldG: RECIPE.yieldG }))
  return Math.abs(lnAt(target + settingStep) - lnAt(target - settingStep)) / (2 * settingStep)
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

const at = (setting: number, by: Partial<Wanted> = {}): Wanted => ({
  setting,
  doseG: RECIPE.doseG,
  yieldG: RECIPE.yieldG,
  ...by,
})

function reachable(chance: Seeded, wish: Wish = {}): DialInBench {
  for (;;) {
    const bench = makeBench(chance, wish)
    const settings = settingsOf(bench.grinder)
    const stride = Math.max(1, Math.floor(settings.length / 60))
    if (settings.some((setting, no) => no % stride === 0 && isTrulyRight(bench, at(setting)))) return bench
  }
}

/** No step of the grinder lands; a little more or less in it, or in the cup, does. */
const NUDGES: readonly Partial<Wanted>[] = [
  ...[-0.3, -0.2, 0.2, 0.3].map((by) => ({ doseG: RECIPE.doseG + by })),
  ...[-2, -1, 1, 2].map((by) => ({ yieldG: RECIPE.yieldG + by })),
]
function between(chance: Seeded, wish: Wish): DialInBench {
  for (;;) {
    const bench = makeBench(chance, { offStep: [0.4, 0.6], ...wish })
    const settings = settingsOf(bench.grinder)
    if (settings.length > 40) continue
    const lands = (by: Partial<Wanted>) => settings.some((each) => isTrulyRight(bench, at(each, by)))
    if (!lands({}) && NUDGES.some(lands)) return bench
  }
}

interface Yesterday {
  daysAgo?: number
  basketId?: string
  /** Where the inner burr stood then, and how far settings have moved since. */
  innerBurrAt?: number | null
  movedBy?: number
}

/** An earlier day's shots of the same coffee: some on the way, the last two where it landed; since then it has moved a little. */
function withHistory(chance: Seeded, wish: Wish = {}, then: Yesterday = {}): DialInCase {
  const bench = reachable(chance, wish)
  const { grinder } = bench
  const { daysAgo = 1, basketId = BASKET, innerBurrAt = grinder.innerBurr?.at ?? null, movedBy = 0 } = then
  const perUnit = (grinder.finerIs === 'higher' ? 1 : -1) * bench.trueLnPerUnit
  const since = chance.normal(0, 0.04) / perUnit + movedBy
  const yesterday: DialInBench = { ...bench, bench: shifted(bench.bench, since) }
  const landed = settingsOf(grinder).find((each) => isTrulyRight(yesterday, at(each)))
  if (landed === undefined) return withHistory(chance, wish, then)
  const step = Math.max(grinder.settingStep, 0.2 / bench.trueLnPerUnit)
  const steps = Math.max(1, Math.round(step / grinder.settingStep)) * grinder.settingStep
  const settings = [landed - steps, landed + steps, landed, landed].map((each) => onScale(each, grinder))
  const earlier = settings.map((setting) =>
    pullBefore(yesterday, setting, { daysAgo, basketId, innerBurrAt, isDialIn: true }, chance),
  )
  return { bench, earlier }
}

function onScale(setting: number, { minSetting, maxSetting }: DialInGrinder): number {
  return Math.min(maxSetting, Math.max(minSetting, Math.round(setting * 1000) / 1000))
}

/** Last week’s dial-in, and two days of ten trainees' unprepared shots about it since. */
function withTrainees(chance: Seeded): DialInCase {
  const { bench, earlier } = withHistory(chance, {}, { daysAgo: 7 })
  const [setting] = earlier.slice(-1).map((shot) => shot.setting)
  const trainees = Array.from({ length: 60 }, (_, no) => {
    const its = onScale(
      (setting ?? 0) + chance.pick([-2, -1, 0, 1, 2]) * bench.grinder.settingStep,
      bench.grinder,
    )
    const then = { daysAgo: no < 30 ? 3 : 2, basketId: BASKET, innerBurrAt: null, isDialIn: false }
    return pullBefore({ ...bench, care: UNPREPARED }, its, then, chance)
  })
  return { bench, earlier: [...earlier, ...trainees] }
}

/** The double was dialled in last week, the single all day yesterday; the single runs in another time altogether. */
function withTwoBaskets(chance: Seeded): DialInCase {
  const { bench, earlier } = withHistory(chance, {}, { daysAgo: 7 })
  const perUnit = (bench.grinder.finerIs === 'higher' ? 1 : -1) * bench.trueLnPerUnit
  const single: DialInBench = { ...bench, bench: shifted(bench.bench, 0.5 / perUnit) }
  const others = Array.from({ length: 12 }, (_, no) => {
    const middle = onScale(earlier.at(-1)?.setting ?? 0, bench.grinder)
    const its = onScale(middle + ((no % 3) - 1) * bench.grinder.settingStep, bench.grinder)
    const then = { daysAgo: 1, basketId: 'single', innerBurrAt: null, isDialIn: true }
    return pullBefore(single, its, then, chance)
  })
  return { bench, earlier: [...earlier, ...others] }
}

/** The inner burr was moved since yesterday, by a known shift of the outer scale. */
function withBurrMove(chance: Seeded): DialInCase {
  const by = chance.pick([-3, 3])
  const scale: Scale = { steps: 30, settingStep: 1 }
  // A unit of the inner scale is as many of the outer as it shifts: what then was at a setting now is so much lower.
  return withHistory(
    chance,
    { scale, innerBurr: { at: 5 + Math.sign(by), settingsPerUnit: 3 } },
    { innerBurrAt: 5, movedBy: by },
  )
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
const plainly = (wish: Wish) => fresh((chance) => reachable(chance, wish))

export const GROUPS: readonly DialInGroup[] = [
  {
    name: 'reachable',
    says: 'the target can be had on a step; begins mid-scale',
    count: 200,
    make: plainly({}),
  },
  {
    name: 'bends one way',
    says: 'each unit does more than the last towards fine',
    count: 100,
    make: plainly({ bend: [BENT, BENT] }),
  },
  {
    name: 'bends the other',
    says: 'each unit does less than the last towards fine',
    count: 100,
    make: plainly({ bend: [-BENT, -BENT] }),
  },
  {
    name: 'between steps',
    says: 'it lies between two steps; yield or dose is the way out',
    count: 100,
    make: fresh((chance) => between(chance, { spanLn: [3.4, 4.6] })),
  },
  {
    name: 'coarse steps',
    says: 'eight to ten steps in all, some of them wider than the window',
    count: 100,
    make: fresh((chance) => between(chance, { scale: { steps: 9, settingStep: 1 }, spanLn: [2, 2.6] })),
  },
  {
    name: 'starts far off',
    says: 'begins at the wrong end of the scale',
    count: 100,
    make: plainly({ startsAnywhere: true }),
  },
  {
    name: 'unprepared',
    says: 'dose sd 0.4 g, uneven beds, a fifth of the changes not purged',
    count: 100,
    make: plainly({ care: UNPREPARED }),
  },
  {
    name: 'with history',
    says: 'the same coffee was dialled in yesterday; everybody knows those shots',
    count: 100,
    make: (chance) => withHistory(chance),
  },
  {
    name: 'ten trainees',
    says: 'dialled in last week; since then sixty shots by trainees, unprepared',
    count: 100,
    make: withTrainees,
  },
  {
    name: 'two baskets',
    says: 'dialled in last week; yesterday the single basket ran all day',
    count: 100,
    make: withTwoBaskets,
  },
  {
    name: 'burr moved',
    says: 'dialled in yesterday; since then the inner burr was moved by a known shift',
    count: 100,
    make: withBurrMove,
  },
  {
    name: 'no cup weight',
    says: 'nobody weighs the cup: the machine stops by itself, by its own measure',
    count: 100,
    make: plainly({ goesBy: 'clock' }),
  },
  {
    name: 'by taste',
    says: 'the house goes by taste; every cup is tasted by a trainer',
    count: 60,
    make: plainly({ goesBy: 'taste' }),
  },
  {
    name: 'prior × 2',
    says: 'as reachable, but the prior slope is twice the true one',
    count: 100,
    make: plainly({ priorTimes: 2 }),
  },
  {
    name: 'prior ÷ 2',
    says: 'as reachable, but the prior slope is half the true one',
    count: 100,
    make: plainly({ priorTimes: 0.5 }),
  },
]

/** @param seed the first of the group's seeds */
export function casesOf(group: DialInGroup, seed: number): DialInCase[] {
  return Array.from({ length: group.count }, (_, no) => group.make(seeded(seed + no)))
}
