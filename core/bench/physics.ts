/** Water of which the bench's rates and resistances are told, in °C. */
export const REFERENCE_C = 93

/**
 * Viscosity of water in Pa·s (Vogel equation; J. Kestin, M. Sokolov & W. Wakeham, J. Phys. Chem. Ref. Data 7, 1978).
 * @example viscosityPaS(93) // => about 3.0e-4
 */
export function viscosityPaS(celsius: number): number {
  return 2.414e-5 * 10 ** (247.8 / (celsius + 273.15 - 140))
}

/**
 * Permeability of a packed bed in m², k = ε³ d² ÷ (180 (1 − ε)²)
 * (J. Kozeny, Sitzungsber. Akad. Wiss. Wien 136, 1927; P. C. Carman, Trans. Inst. Chem. Eng. 15, 1937).
 * @param diameterUm effective grain diameter in µm: the one that flows right, not the median, since fines rule the flow
 */
export function permeabilityM2(diameterUm: number, porosity: number): number {
  const d = diameterUm * 1e-6
  return (porosity ** 3 * d ** 2) / (180 * (1 - porosity) ** 2)
}

/** Bulk density of a tamped bed, within the 0.40–0.48 g/cm³ of practice. */
const BED_DENSITY_G_PER_CM3 = 0.46

/** Depth in m of a puck of this dose over an area. */
export function puckDepthM(doseG: number, areaCm2: number): number {
  return doseG / BED_DENSITY_G_PER_CM3 / areaCm2 / 100
}

const PA_PER_BAR = 1e5
const G_PER_M3 = 1e6

/**
 * Resistance of a bed to flow in bar per g/s, from Darcy's law q = k A ΔP ÷ (μ L)
 * (H. Darcy, "Les fontaines publiques de la ville de Dijon", 1856).
 */
export function bedResistance(bed: {
  permeabilityM2: number
  areaCm2: number
  depthM: number
  viscosityPaS: number
}): number {
  const gramsPerSecondPerBar =
    (bed.permeabilityM2 * (bed.areaCm2 / 1e4) * PA_PER_BAR * G_PER_M3) / (bed.viscosityPaS * bed.depthM)
  return 1 / gramsPerSecondPerBar
}

/** A pump: its pressure falls with the square of its flow, from `maxBar` at none to 0 at `maxFlowGPerS`. */
export interface Pump {
  maxBar: number
  maxFlowGPerS: number
}

/**
 * Pressure at which a pump and a resistance agree: P = Pmax (1 − (P ÷ (R Qmax))²), solved for P. Little resistance
 * shows as low pressure.
 */
export function operatingPressureBar({ maxBar, maxFlowGPerS }: Pump, resistance: number): number {
  const a = maxBar / (resistance * maxFlowGPerS) ** 2
  // As the resistance grows a falls to 0, where the textbook root would divide by it.
  return (2 * maxBar) / (1 + Math.sqrt(1 + 4 * a * maxBar))
}
