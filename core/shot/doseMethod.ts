export const DOSE_METHODS = [
  'scale',
  'razor',
  'line',
  'basket-line',
  'sweep',
  'mound',
  'scoop',
  'lever-pulls',
  'seconds',
  'machine-light',
  'eye',
] as const
/** How a dose was measured. */
export type DoseMethod = (typeof DOSE_METHODS)[number]

/** What is counted until the dose is there. */
export const COUNT_METHODS = ['scoop', 'lever-pulls', 'seconds'] as const satisfies readonly DoseMethod[]
export type CountMethod = (typeof COUNT_METHODS)[number]
/** What a dose is held against by eye. */
export type MarkMethod = Exclude<DoseMethod, 'scale' | CountMethod>

/** Spread of each dosing method, as sd in g. Of one of which nothing is known it is taken to be the widest. */
export const DOSE_SPREAD_G: Record<DoseMethod, number> = {
  scale: 0.1,
  razor: 0.5,
  line: 0.5,
  'basket-line': 0.5,
  sweep: 1,
  mound: 1.5,
  scoop: 1.5,
  'lever-pulls': 1.5,
  seconds: 0.5,
  'machine-light': 1.5,
  eye: 1.5,
}

/** Whether a method counts. */
export function isCountMethod(method: DoseMethod): method is CountMethod {
  return (COUNT_METHODS as readonly DoseMethod[]).includes(method)
}
