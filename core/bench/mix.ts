import { FAULTS, type Fault, canHoldTogether } from '../diagnosis/causes.ts'
import type { Seeded } from '../random/seeded.ts'

/** How often what goes wrong. */
export interface Mix {
  /** Shares of shots without a fault, and of shots that are drawn with two. */
  none: number
  pair: number
  /** How often each fault comes beside the others. */
  odds: Readonly<Record<Fault, number>>
}

/** Every fault alike often: for what is asked of each. */
export const FLAT_MIX: Mix = {
  none: 0.1,
  pair: 0.2,
  // The keys are exactly the faults; Object.fromEntries only knows them as strings.
  odds: Object.fromEntries(FAULTS.map((fault) => [fault, 1])) as Record<Fault, number>,
}

/**
 * As at a training bar: grind, dose, distribution and tamp lead by far. Nobody has published counts; these are a
 * trainer's guess, kept apart from what the judgement takes for granted so that the two can be held against each other.
 */
export const BAR_MIX: Mix = {
  none: 0.15,
  pair: 0.25,
  odds: {
    'grind-too-coarse': 20,
    'grind-too-fine': 14,
    'poor-distribution': 12,
    'dose-low': 10,
    'tamp-tilted': 9,
    'dose-high': 8,
    'tamp-light': 6,
    'not-purged': 4,
    'stopped-late': 4,
    'tamp-varying': 3,
    'basket-wet': 2,
    cold: 2,
    'stopped-early': 2,
    'wrong-basket': 1,
    dirty: 1,
    'coffee-too-fresh': 1,
    'coffee-stale': 1,
    'ratio-short': 1,
    'ratio-long': 1,
    'too-hot': 0.5,
    'temperature-swing': 0.5,
    'roast-character': 0.5,
    'pre-ground': 0.3,
    'poor-water': 0.3,
    'burrs-out-of-range': 0.3,
  },
}

/** The faults of one shot: none, one, or two that can hold together. */
export function drawFaults(mix: Mix, chance: Seeded): Fault[] {
  const kind = chance.uniform()
  if (kind < mix.none) return []
  const first = drawFault(mix, chance)
  if (kind > 1 - mix.pair) {
    const second = drawFault(mix, chance)
    if (canHoldTogether(first, second)) return [first, second]
  }
  return [first]
}

/** How likely a drawn fault is this one. */
export function shareOf({ odds }: Mix, fault: Fault): number {
  return odds[fault] / FAULTS.reduce((sum, each) => sum + odds[each], 0)
}

function drawFault(mix: Mix, chance: Seeded): Fault {
  let left = chance.uniform()
  for (const fault of FAULTS) {
    left -= shareOf(mix, fault)
    if (left < 0) return fault
  }
  return FAULTS[0]
}
