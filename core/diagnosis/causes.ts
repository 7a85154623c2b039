/**
 * Every fault that can be named. "Wrong basket" stands for any mismatch of basket, button, selector and reservoir, and
 * "tamp varying" for a tamp beyond what the bed needs as well: no observation tells those apart.
 */
export const FAULTS = [
  'grind-too-coarse',
  'grind-too-fine',
  'dose-low',
  'dose-high',
  'tamp-tilted',
  'tamp-light',
  'tamp-varying',
  'poor-distribution',
  'basket-wet',
  'dirty',
  'not-purged',
  'cold',
  'too-hot',
  'temperature-swing',
  'coffee-too-fresh',
  'coffee-stale',
  'pre-ground',
  'roast-character',
  'poor-water',
  'wrong-basket',
  'burrs-out-of-range',
  'stopped-early',
  'stopped-late',
  'ratio-short',
  'ratio-long',
] as const
export type Fault = (typeof FAULTS)[number]

export const CAUSE_PLACES = ['grind', 'dose', 'bed', 'machine', 'coffee', 'stopping'] as const
/** Where at the bar a fault happens, in the order of the work. */
export type CausePlace = (typeof CAUSE_PLACES)[number]

/** Where each fault happens. */
export const PLACE_OF_FAULT: Record<Fault, CausePlace> = {
  'grind-too-coarse': 'grind',
  'grind-too-fine': 'grind',
  'not-purged': 'grind',
  'burrs-out-of-range': 'grind',
  'dose-low': 'dose',
  'dose-high': 'dose',
  'poor-distribution': 'bed',
  'tamp-tilted': 'bed',
  'tamp-light': 'bed',
  'tamp-varying': 'bed',
  'basket-wet': 'machine',
  dirty: 'machine',
  cold: 'machine',
  'too-hot': 'machine',
  'temperature-swing': 'machine',
  'wrong-basket': 'machine',
  'poor-water': 'machine',
  'coffee-too-fresh': 'coffee',
  'coffee-stale': 'coffee',
  'pre-ground': 'coffee',
  'roast-character': 'coffee',
  'stopped-early': 'stopping',
  'stopped-late': 'stopping',
  'ratio-short': 'stopping',
  'ratio-long': 'stopping',
}

/** What is behind most shots of any training, by the words it is first looked for in. */
export const USUAL_FAULTS = [
  'grind-too-coarse',
  'grind-too-fine',
  'dose-low',
  'dose-high',
  'poor-distribution',
  'tamp-tilted',
  'tamp-light',
] as const satisfies readonly Fault[]

/** Faults that show in two quite different ways. */
export const TWO_WAYS = {
  'tamp-varying': ['tamp-varying:light', 'tamp-varying:hard'],
  'not-purged': ['not-purged:was-coarser', 'not-purged:was-finer'],
  'temperature-swing': ['temperature-swing:cool', 'temperature-swing:hot'],
  'wrong-basket': ['wrong-basket:short', 'wrong-basket:long'],
  'burrs-out-of-range': ['burrs-out-of-range:finest', 'burrs-out-of-range:between'],
} as const
type TwoWayed = keyof typeof TWO_WAYS
/** One way in which a fault shows. */
export type Way = Exclude<Fault, TwoWayed> | (typeof TWO_WAYS)[TwoWayed][number]

/** The ways in which a fault shows: itself, for most. */
export function waysOf(fault: Fault): readonly Way[] {
  return isTwoWayed(fault) ? TWO_WAYS[fault] : [fault]
}

function isTwoWayed(fault: Fault): fault is TwoWayed {
  return fault in TWO_WAYS
}

/** A fault, or none. */
export const CAUSES = ['none', ...FAULTS] as const
export type Cause = (typeof CAUSES)[number]

/** Faults that can't hold together. */
const EXCLUSIVE: readonly (readonly Fault[])[] = [
  ['grind-too-coarse', 'grind-too-fine', 'pre-ground', 'burrs-out-of-range'],
  ['dose-low', 'dose-high'],
  ['tamp-light', 'tamp-varying'],
  ['cold', 'too-hot', 'temperature-swing'],
  ['coffee-too-fresh', 'coffee-stale', 'pre-ground'],
  ['stopped-early', 'stopped-late', 'wrong-basket', 'ratio-short', 'ratio-long'],
]

/** Whether two different faults can hold in one shot. */
export function canHoldTogether(a: Fault, b: Fault): boolean {
  return a !== b && !EXCLUSIVE.some((set) => set.includes(a) && set.includes(b))
}
