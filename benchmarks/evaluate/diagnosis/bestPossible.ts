import { type Cause, DOSE_SPREAD_G, FAULTS, type Fault, type Recipe } from '@calm-apron/core'
import {
  type BenchCase,
  type Mix,
  type Note,
  type Observable,
  canHoldTogether,
  observablesOf,
  plantFaults,
  seeded,
  shareOf,
} from '@calm-apron/core/bench'

/** One simulated shot of the bank with its share of the mix, and what could be noted of it by each way of dosing. */
interface Banked {
  causes: readonly Cause[]
  logWeight: number
  by: Map<string, Map<string, Observable>>
}

/** Never met: the list of pairs is not empty. */
const PLAIN_PAIR: [Fault, Fault] = ['dose-low', 'tamp-tilted']
const METHODS = ['scale', 'line', 'sweep'] as const
/** The bank is finite: its values are smoothed by about the distance between its neighbours. */
const SMOOTHING: Partial<Record<Note['key'], number>> = {
  doseG: 0.05,
  firstDropS: 0.3,
  stopS: 0.6,
  cupG: 0.5,
  sour: 0.2,
  ageDays: 3,
}
const WHOLE_SD = 0.29
/** A note that this shot could not have given. */
const IMPOSSIBLE = 0.02

/** What whoever knows the generator would think of one case: the likeliest cause, how likely, and whether it is so. */
export interface Best {
  probability: number
  isTop1: boolean
  isTop3: boolean
}

/**
 * How well anyone could do who knows the generator: for each case the posterior over its hidden causes by importance
 * sampling, from a bank of simulated shots with the generator's own chances of every note. A finite bank errs, so this
 * is a lower bound of the best possible.
 */
export function bestPossible(
  cases: readonly BenchCase[],
  recipe: Recipe,
  perFault: number,
  pairs: number,
  seed: number,
  mix: Mix,
): { answers: Best[]; bank: number } {
  const bank = makeBank(recipe, perFault, pairs, seed, mix)
  const answers = cases.map((each): Best => {
    const ranked = rankedCauses(bank, each)
    const has = (first: number) => ranked.slice(0, first).some(({ cause }) => each.causes.includes(cause))
    return { probability: ranked[0]?.probability ?? 0, isTop1: has(1), isTop3: has(3) }
  })
  return { answers, bank: bank.length }
}

function makeBank(recipe: Recipe, perFault: number, pairs: number, seed: number, mix: Mix): Banked[] {
  const chance = seeded(seed)
  const legal = FAULTS.flatMap((a) =>
    FAULTS.filter((b) => canHoldTogether(a, b)).map((b): [Fault, Fault] => [a, b]),
  )
  const pairShare = ([a, b]: [Fault, Fault]) => shareOf(mix, a) * shareOf(mix, b)
  const single = 1 - mix.none - mix.pair
  /** Where a drawn pair can't hold together the generator keeps the first fault alone. */
  const singleShare = (fault: Fault) => {
    const partners = FAULTS.filter((other) => !canHoldTogether(fault, other))
    const alone = partners.reduce((sum, other) => sum + shareOf(mix, other), 0)
    return shareOf(mix, fault) * (single + mix.pair * alone)
  }
  const banked = (faults: readonly Fault[], weight: number): Banked => {
    const truth = plantFaults(faults, recipe, chance)
    const by = METHODS.map((method): [string, Map<string, Observable>] => [
      method,
      new Map(observablesOf(truth, DOSE_SPREAD_G[method]).map((each) => [each.key, each])),
    ])
    return { causes: faults.length === 0 ? ['none'] : faults, logWeight: Math.log(weight), by: new Map(by) }
  }
  const repeat = (times: number, make: (at: number) => Banked) =>
    Array.from({ length: times }, (_, at) => make(at))
  return [
    ...repeat(perFault, () => banked([], mix.none / perFault)),
    ...FAULTS.flatMap((fault) => repeat(perFault, () => banked([fault], singleShare(fault) / perFault))),
    ...repeat(pairs, (at) => {
      const pair = legal[(at * 7) % legal.length] ?? PLAIN_PAIR
      return banked(pair, (mix.pair * pairShare(pair) * legal.length) / pairs)
    }),
  ]
}

function rankedCauses(
  bank: readonly Banked[],
  { notes, doseMethod }: BenchCase,
): { cause: Cause; probability: number }[] {
  const logs = bank.map(({ by, logWeight }) => logWeight + logLikelihood(notes, by.get(doseMethod)))
  const most = logs.reduce((best, log) => Math.max(best, log), -Infinity)
  const sums = new Map<Cause, number>()
  let total = 0
  bank.forEach(({ causes }, at) => {
    const weight = Math.exp((logs[at] ?? -Infinity) - most)
    total += weight
    for (const cause of causes) sums.set(cause, (sums.get(cause) ?? 0) + weight)
  })
  return [...sums.entries()]
    .map(([cause, sum]) => ({ cause, probability: sum / total }))
    .sort((a, b) => b.probability - a.probability)
}

function logLikelihood(notes: readonly Note[], observables: Map<string, Observable> | undefined): number {
  let log = 0
  for (const { key, value } of notes) {
    const observable = observables?.get(key)
    log += observable === undefined ? Math.log(IMPOSSIBLE) : logOf(observable, value)
  }
  return log
}

function logOf(observable: Observable, value: Note['value']): number {
  switch (observable.kind) {
    case 'number': {
      const sd = Math.hypot(observable.sd, SMOOTHING[observable.key] ?? 0, observable.isWhole ? WHOLE_SD : 0)
      return -0.5 * ((Number(value) - observable.mean) / sd) ** 2 - Math.log(sd)
    }
    case 'yes-no':
      return Math.log(value === true ? observable.chance : 1 - observable.chance)
    case 'choice': {
      const total = Object.values(observable.chances).reduce((sum, chance) => sum + chance, 0)
      return Math.log((observable.chances[String(value)] ?? 0.001) / total)
    }
  }
}
