import type { Tilt } from '../shot/facts.ts'
import type { Pump } from './physics.ts'

/** The hidden truth of a simulated bench. Temperatures in °C, diameters in µm, areas in cm². */
export interface Bench {
  /** Effective grain diameter at setting 0 of the grinder, and how its logarithm grows with each unit of setting. */
  diameterAtZeroUm: number
  lnDiameterPerUnit: number
  basketAreaCm2: number
  /** Dose in g that the basket is made for, and the porosity of a level, settled bed of it. */
  nominalDoseG: number
  porosity: number
  pump: Pump
  /** Seconds until the pump has its pressure. */
  rampS: number
  preinfusionS: number
  preinfusionBar: number
  waterC: number
}

/** A machine and grinder on which 18 g at setting 14 gives 36 g in about 28 s. */
export const EXAMPLE_BENCH: Bench = {
  diameterAtZeroUm: 7.3,
  lnDiameterPerUnit: 0.0225,
  basketAreaCm2: 25,
  nominalDoseG: 18,
  porosity: 0.17,
  pump: { maxBar: 9.3, maxFlowGPerS: 8 },
  rampS: 2,
  preinfusionS: 0,
  preinfusionBar: 0,
  waterC: 93,
}

/** What was done with it. */
export interface ShotDone {
  setting: number
  /** Setting before, where the grinder was not purged since; else null. */
  unpurgedFrom: number | null
  doseG: number
  tilt: Tilt
  isSettled: boolean
  isBedEven: boolean
  isMachineHot: boolean
  isBasketDry: boolean
  /** Stop when this much is in the cup, or at `stopAtS`, whichever comes first. */
  stopAtG: number
  stopAtS: number
}

export interface BenchSample {
  timeS: number
  weightG: number
  flowGPerS: number
  pressureBar: number
}

/** A shot without any reading noise. */
export interface SimulatedShot {
  samples: BenchSample[]
  firstDropS: number | null
  stopS: number
  cupG: number
  tdsPercent: number
  extractionPercent: number
  /** 0–10 each. */
  taste: { sour: number; sweet: number; bitter: number }
  /** Share of the water that took a short cut. */
  channelledShare: number
  /** Solids at the end less solids at the start, in g: 0 but for rounding. */
  solidsErrorG: number
}
