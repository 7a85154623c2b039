import type { BenchGrinder, ShotDone } from './types.ts'

/** The grind of which the bench's rates and shares are told, in µm. */
export const REFERENCE_UM = 10
/** Share of the solids that sits in fines at the reference grind, and how it grows as the grind gets finer. */
const REFERENCE_FINES = 0.5
const FINES_EXPONENT = 0.8
const MOST_FINES = 0.9

/** So little bend is none; divided by, it would be noise. */
const STRAIGHT = 1e-6

/**
 * Effective grain diameter in µm at one setting. Where the scale bends, each unit does more than the last on one side
 * of `bendsAt` and less on the other; it never turns back. No grinder's curve is published in numbers, so its shape, an
 * exponential in the straight scale's ln, is an assumption.
 */
export function diameterAt(
  { diameterAtZeroUm, lnDiameterPerUnit, bend, bendsAt }: BenchGrinder,
  setting: number,
): number {
  const straightLn = lnDiameterPerUnit * (setting - bendsAt)
  const bentLn = Math.abs(bend) < STRAIGHT ? straightLn : Math.expm1(bend * straightLn) / bend
  return diameterAtZeroUm * Math.exp(lnDiameterPerUnit * bendsAt + bentLn)
}

/** Effective grain diameter of the dose in µm; what the grinder retained at another setting is mixed in by its share. */
export function diameterOf(grinder: BenchGrinder, { setting, unpurgedFrom, doseG }: ShotDone): number {
  const ln = Math.log(diameterAt(grinder, setting))
  if (unpurgedFrom === null) return Math.exp(ln)
  const oldShare = Math.min(1, grinder.retentionG / doseG)
  return Math.exp(ln + oldShare * (Math.log(diameterAt(grinder, unpurgedFrom)) - ln))
}

/** Share of the bed's solids that sit in fines. */
export function finesShareOf(diameterUm: number): number {
  return Math.min(MOST_FINES, REFERENCE_FINES * (REFERENCE_UM / diameterUm) ** FINES_EXPONENT)
}

/** At the reference grind the layer of fines that settles over the holes adds less than a twentieth of the bed’s resistance … */
const LAYER_AT_REFERENCE = 0.045
/** … and so steeply more of it the finer the grind that a bed of half the diameter lets nothing through. */
const LAYER_EXPONENT = 11

/**
 * Resistance of the layer that migrating fines end up as over the basket's holes, in parts of the bed's own, once
 * enough water has carried them there. Migration as the cause of falling flow: M. Petracco & F. Liverani, 15th ASIC
 * Colloquium, 1993; A. Fasano, F. Talamucci & M. Petracco, "The espresso coffee problem", 2000. Its steepness is fitted
 * to what bars see: from a right grind about 0.8 ln of time finer, and the machine chokes.
 */
export function finesLayer(diameterUm: number): number {
  return LAYER_AT_REFERENCE * (REFERENCE_UM / diameterUm) ** LAYER_EXPONENT
}
