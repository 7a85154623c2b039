/** What stands on a scale. */
export const VESSEL_KINDS = ['portafilter', 'dosing-cup', 'cup'] as const
export type VesselKind = (typeof VESSEL_KINDS)[number]

/** Something with a remembered empty weight. */
export interface Vessel {
  id: string
  name: string
  kind: VesselKind
  emptyG: number
}

/** Which way along its scale a grinder grinds finer. */
export const FINER_IS = ['lower', 'higher'] as const

/**
 * A grinder's outer scale: its range, its step, which way is finer, and where its burrs touch, from the maker's manual
 * or whoever keeps the grinder; null where nobody has entered it.
 */
export interface GrinderScale {
  minSetting: number
  maxSetting: number
  settingStep: number
  finerIs: (typeof FINER_IS)[number]
  touchingAt: number | null
}
