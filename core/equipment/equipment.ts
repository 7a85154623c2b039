export const VESSEL_KINDS = ['portafilter', 'dosing-cup', 'cup'] as const
export type VesselKind = (typeof VESSEL_KINDS)[number]

/** Something with a remembered empty weight. */
export interface Vessel {
  id: string
  name: string
  kind: VesselKind
  emptyG: number
}

export const FINER_IS = ['lower', 'higher'] as const

/** A grinder's outer scale: its range, its step, and which way is finer. */
export interface GrinderScale {
  minSetting: number
  maxSetting: number
  settingStep: number
  finerIs: (typeof FINER_IS)[number]
}
