import type { Vessel } from '../equipment/equipment.ts'
import { THRESHOLDS } from '../thresholds.ts'
import type { Weighing } from './facts.ts'

/** Scales read 0.01 g at best; what lies below that is the arithmetic's, not the coffee's. */
export function roundG(grams: number): number {
  return Math.round(grams * 1000) / 1000
}

/** Net weight in g, or null where nothing was weighed. A dose may also be seen: `weighedDoseG`. */
export function netG(weighing: Weighing | null): number | null {
  if (weighing === null) return null
  return weighing.by === 'net' ? weighing.netG : roundG(weighing.grossG - weighing.tareG)
}

/** Grams to take out (negative) or add (positive) for the dose to be on target. */
export function doseTrimG(doseNetG: number, targetDoseG: number): number {
  return roundG(targetDoseG - doseNetG)
}

/** The vessel whose weight was forgotten, and what then lies in it, in g. */
export interface TareRescue {
  vessel: Vessel
  netG: number
}

/**
 * When a reading is too heavy for any dose but fits a known vessel with a plausible dose in it, the vessel whose
 * tare was forgotten and the dose that remains; the fit nearest to `targetDoseG` first, else null.
 * @param readingG what the scale showed, in g
 * @example rescueForgottenTare(430.8, [pf3], 18) // => { vessel: pf3, netG: 18.2 } for a pf3 of 412.6 g
 */
export function rescueForgottenTare(
  readingG: number,
  vessels: readonly Vessel[],
  targetDoseG: number,
): TareRescue | null {
  const { plausibleDoseG, forgottenTareWithinG } = THRESHOLDS
  if (readingG <= plausibleDoseG.max) return null
  const missG = (net: number) => Math.abs(net - targetDoseG)
  const fits = vessels
    .map((vessel) => ({ vessel, netG: roundG(readingG - vessel.emptyG) }))
    .filter(({ netG: net }) => net >= plausibleDoseG.min && net <= plausibleDoseG.max)
    .filter(({ netG: net }) => missG(net) <= forgottenTareWithinG)
    .sort((a, b) => missG(a.netG) - missG(b.netG))
  return fits[0] ?? null
}
