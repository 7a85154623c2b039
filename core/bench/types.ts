import type { Tilt } from '../shot/seen.ts'
import type { Pump } from './physics.ts'

/** The hidden truth of a simulated bench. Temperatures in °C, diameters in µm, areas in cm². */
export interface Bench extends BenchGrinder {
  basketAreaCm2: number
  /** Dose in g that the basket is made for, and the porosity of a level, settled bed of it. */
  nominalDoseG: number
  porosity: number
  pump: Pump
  /** A lever's spring in place of a pump's steady pressure; null where there is none. */
  spring: Spring | null
  /** Seconds until the pump has its pressure. */
  rampS: number
  preinfusionS: number
  preinfusionBar: number
  waterC: number
  /** How a simple thermostat swings about `waterC`; null where the water stays. */
  swing: Swing | null
  coffee: BenchCoffee
  /** Old oils on screen and basket, 0 clean … 1 rancid. */
  dirt: number
  /** 0 good drinking water … 1 so hard, soft or tainted that no cup comes right. */
  poorWater: number
}

/** How one grinder's scale becomes grains. */
export interface BenchGrinder {
  /** Effective grain diameter that its straight scale would have at setting 0. */
  diameterAtZeroUm: number
  /** How the diameter's logarithm grows with each unit, at `bendsAt`; below 0 where finer is higher. */
  lnDiameterPerUnit: number
  /** 0 a straight scale; above, coarser units do more than finer ones, below, less. */
  bend: number
  /** The setting at which the scale runs as `lnDiameterPerUnit` says. */
  bendsAt: number
  /** Old grounds that come out with the first dose after a change, in g. */
  retentionG: number
}

/** A spring falls from one pressure to the other while it presses this much water out of its chamber. */
export interface Spring {
  startBar: number
  endBar: number
  strokeG: number
}

/** How a thermostat swings: half its height in °C, and how long once around takes in s. */
export interface Swing {
  amplitudeC: number
  periodS: number
  /** Where in its cycle the pump starts, 0–1; 0 is on the way up through the middle. */
  phase: number
}

/** What the coffee brings of its own, each 0–1 but for its pace. */
export interface BenchCoffee {
  /** Carbon dioxide still in it: 0.3 when rested, 1 on the day after roasting. */
  gas: number
  /** Aroma and fats gone: 0 in its window, 1 after months. */
  staleness: number
  /** 0 light … 0.5 medium … 1 so dark that ash is all it tastes of. */
  roast: number
  /** −1: its sweetness comes late, 1: its bitter part comes early. */
  pace: number
}

/** A machine and grinder on which 18 g at setting 14 gives 36 g in about 28 s. */
export const EXAMPLE_BENCH: Bench = {
  diameterAtZeroUm: 6.08,
  lnDiameterPerUnit: 0.0335,
  bend: 0,
  bendsAt: 14,
  retentionG: 5,
  basketAreaCm2: 25,
  nominalDoseG: 18,
  porosity: 0.17,
  pump: { maxBar: 9.3, maxFlowGPerS: 8 },
  spring: null,
  rampS: 2,
  preinfusionS: 0,
  preinfusionBar: 0,
  waterC: 93,
  swing: null,
  coffee: { gas: 0.3, staleness: 0, roast: 0.5, pace: 0 },
  dirt: 0,
  poorWater: 0,
}

/** What was done with it. */
export interface ShotDone {
  setting: number
  /** Setting before, where the grinder was not purged since; else null. */
  unpurgedFrom: number | null
  doseG: number
  tilt: Tilt
  /** How far the bed was pressed: 0 not at all, 1 until it settled, 2 far beyond. */
  pressed: number
  /** 0 an even bed … 1 piles and clumps. */
  unevenness: number
  /** Degrees by which group and portafilter miss the bench's own water: below 0 where not heated through. */
  offC: number
  isBasketDry: boolean
  /** Stop when this much is in the cup, or at `stopAtS`, whichever comes first. */
  stopAtG: number
  stopAtS: number
}

/** Careful hands on the example bench. */
export const CAREFUL_SHOT: ShotDone = {
  setting: 14,
  unpurgedFrom: null,
  doseG: 18,
  tilt: 'level',
  pressed: 1,
  unevenness: 0,
  offC: 0,
  isBasketDry: true,
  stopAtG: 36,
  stopAtS: 90,
}

/** What the bench shows at one moment: s from pump start, g in the cup, g/s, bar. */
export interface BenchSample {
  timeS: number
  weightG: number
  flowGPerS: number
  pressureBar: number
}

/** What a cup is like without anyone tasting it: axes 0–10, notes and crema 0–1. */
export interface BenchCup {
  sour: number
  sweet: number
  bitter: number
  body: number
  dryness: number
  rancid: number
  ashy: number
  papery: number
  /** No life in it, whatever the balance. */
  flat: number
  /** 0 none, 0.5 usual, 1 foam. */
  crema: number
}

/** A shot without any reading noise. */
export interface SimulatedShot {
  samples: BenchSample[]
  firstDropS: number | null
  stopS: number
  cupG: number
  tdsPercent: number
  extractionPercent: number
  cup: BenchCup
  /** Share of the water that took a short cut. */
  channelledShare: number
  /** Solids at the end less solids at the start, in g: 0 but for rounding. */
  solidsErrorG: number
}
