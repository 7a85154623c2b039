export const DOSE_METHODS = [
  'scale',
  'razor',
  'line',
  'sweep',
  'scoop',
  'lever-pulls',
  'machine-light',
  'eye',
] as const
/** How a dose was measured. */
export type DoseMethod = (typeof DOSE_METHODS)[number]

/** Spread of each dosing method, as sd in g. Of one of which nothing is known it is taken to be the widest. */
export const DOSE_SPREAD_G: Record<DoseMethod, number> = {
  scale: 0.1,
  razor: 0.5,
  line: 0.5,
  sweep: 1,
  scoop: 1.5,
  'lever-pulls': 1.5,
  'machine-light': 1.5,
  eye: 1.5,
}
