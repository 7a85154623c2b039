import { type ShotFacts, TILTS, type Tilt, noNotes, packSeries, unknownFacts } from '@calm-apron/core'
import type { Seeded } from '@calm-apron/core/bench'
import { RECIPE, type MadeShot, madeAt } from './bar.ts'
import type { Trainer } from './hands.ts'
import { type Turn, UNTIL_DAYS_AGO } from './trainings.ts'
import { tenths } from '../tenths.ts'

/** A shot as it was pulled: what was written down of it, and how the cup truly was. */
export interface Pull {
  facts: ShotFacts
  truth: MadeShot['cup'] & { tilt: Tilt }
}

const TILTED = ['slight', 'clear'] as const satisfies readonly (typeof TILTS)[number][]

/** How much worse than they get somebody still is. */
export function worseAt({ hands, before }: Turn): number {
  return 1 + hands.worseAtFirst * 2 ** (-before / hands.halvedAfter)
}

/** One turn at the group, with whatever a trainer saw of it. */
export function pull(turn: Turn, setting: number, daysAgo: number, trainer: Trainer, chance: Seeded): Pull {
  const { hands, before } = turn
  const worse = worseAt(turn)
  const isSlipping = hands.slips !== null && daysAgo < hands.slips.weeks * 7 + UNTIL_DAYS_AGO
  const slipG = isSlipping ? (hands.slips?.byG ?? 0) : 0
  const doseG = tenths(RECIPE.doseG + hands.doseBiasG + slipG + chance.normal(0, hands.doseSdG * worse))
  const tilt: Tilt = chance.chance(Math.min(0.65, hands.tilted * worse)) ? chance.pick(TILTED) : 'level'
  const seen = tilt === 'slight' && chance.chance(trainer.letsPass) ? 'level' : tilt
  const cupG = tenths(RECIPE.yieldG + hands.yieldBiasG + chance.normal(0, hands.yieldSdG * worse))
  const { firstDropS, stopS, cup } = madeAt(setting, daysAgo, doseG, tilt)
  // It is stopped where they stop it, at the flow that the shot had.
  const flowingS = ((stopS - firstDropS) * cupG) / RECIPE.yieldG
  const facts = {
    ...pulledFacts(setting, doseG),
    tamp: { tilt: seen, lowSide: null, settled: true },
    clock: {
      firstDrop: 'marked' as const,
      firstDropS: tenths(firstDropS + chance.normal(0, 0.3)),
      stopS: tenths(firstDropS + flowingS + chance.normal(0, 0.5)),
      estimated: false,
    },
    cup: { by: 'net' as const, netG: cupG },
    look: { stream: tilt === 'clear' ? 'one-sided' : 'even', puck: tilt === 'clear' ? 'thin-side' : 'even' },
    noted: {
      ...noNotes(),
      selfRating: ratedOwn(tilt, before),
      isHelped: isHelped(before),
      ...stepsSeen(worse, chance),
    },
  } satisfies ShotFacts
  return { facts, truth: { ...cup, tilt } }
}

/** A trainer's own shot while looking for the grind: by the book. */
export function dialInPull(setting: number, daysAgo: number): Pull {
  const { firstDropS, stopS, cup } = madeAt(setting, daysAgo, RECIPE.doseG, 'level')
  const clock = {
    firstDrop: 'marked' as const,
    firstDropS: tenths(firstDropS),
    stopS: tenths(stopS),
    estimated: false,
  }
  const facts = {
    ...pulledFacts(setting, RECIPE.doseG),
    tamp: { tilt: 'level' as const, lowSide: null, settled: true },
    clock,
    cup: { by: 'net' as const, netG: RECIPE.yieldG },
  }
  return { facts, truth: { ...cup, tilt: 'level' } }
}

function pulledFacts(setting: number, doseG: number): ShotFacts {
  return {
    ...unknownFacts(),
    grindSetting: setting,
    grinderPurged: true,
    machineHot: true,
    basketDry: true,
    basketClean: true,
    dose: { by: 'net', netG: doseG },
  }
}

/** A cup as somebody notes it: so much milder than it is, and off by as much. */
export function tastedBy(
  { truth }: Pull,
  { milder, sd }: { milder: number; sd: number },
  chance: Seeded,
): ShotFacts['taste'] {
  const point = (value: number) => Math.min(10, Math.max(0, Math.round(value + chance.normal(0, sd))))
  return {
    sour: point(truth.sour - milder),
    sweet: point(truth.sweet + milder / 2),
    bitter: point(truth.bitter - milder),
    body: null,
    dryness: null,
  }
}

/** What a scale would have seen, twice a second: slow at first, then even. */
export function seriesOf({ facts: { clock, cup } }: Pull): { weight: string; pressure: null } | null {
  if (clock?.firstDropS == null || cup?.by !== 'net') return null
  const { firstDropS, stopS } = clock
  const samples = Array.from({ length: Math.ceil(stopS * 2) + 1 }, (_each, at) => {
    const timeS = Math.min(stopS, at / 2)
    const share = Math.max(0, timeS - firstDropS) / Math.max(1, stopS - firstDropS)
    return { timeS, weightG: cup.netG * share ** 1.15 }
  })
  return { weight: packSeries(samples), pressure: null }
}

/** Every other shot they say how good they think it was. */
function ratedOwn(tilt: Tilt, before: number): number | null {
  if (before % 2 === 1) return null
  return tilt === 'level' ? 6 + (before % 3) : 5
}

/** The tool helped at first, then every other time, then no more. */
function isHelped(before: number): boolean {
  return before < 3 || (before < 9 && before % 2 === 1)
}

/** Every third shot somebody watches the steps. */
function stepsSeen(worse: number, chance: Seeded) {
  if (!chance.chance(1 / 3)) return {}
  const isLeftOut = chance.chance(0.05 * worse)
  const done = ['wipe-basket', 'flush', 'tamp', 'lock-in'] as const
  return isLeftOut
    ? { stepsDone: [...done], stepsPrompted: ['wipe-rim' as const] }
    : { stepsDone: [...done, 'wipe-rim' as const] }
}
