import { type Bed, dryBed } from './bed.ts'
import { bedResistance, permeabilityM2, puckDepthM, viscosityPaS } from './physics.ts'
import type { Bench, ShotDone } from './types.ts'

/** A part of the bed with its own way for the water. */
export interface Path {
  bed: Bed
  /** bar per g/s once it is wet through. */
  resistance: number
  wetG: number
  throughG: number
}

/** Share of the area and how much more permeable: what each fault opens. */
const CHANNEL = {
  tilt: { level: 0, slight: 0.01, clear: 0.032 },
  unsettled: 0.015,
  unevenBed: 0.042,
  wetBasket: 0.008,
  timesMorePermeable: 8,
} as const
/** More coffee pressed into the same basket closes its pores: with the depth about 2 % of time for each 0.1 g. */
const POROSITY_PER_G = -0.0072
/** A bed that was not pressed until it settled is this much more open. */
const UNSETTLED_POROSITY = 1.02
/** Below this effective diameter the pressure breaks channels of its own, growing with fineness. */
const BREAKS_BELOW_UM = 8.6
const BREAK_SHARE_PER_UM = 0.035
const MOST_CHANNEL_SHARE = 0.25
/** Share of a dose that is still the old grind when the grinder was not purged. */
const UNPURGED_SHARE = 0.4
/** A machine that isn't hot brews this much cooler, in °C. */
const COLD_BY_C = 11
const REFERENCE_FINES = 0.5
const REFERENCE_UM = 10

/** Temperature of the water that meets the coffee, in °C. */
export function brewC(bench: Bench, done: ShotDone): number {
  return done.isMachineHot ? bench.waterC : bench.waterC - COLD_BY_C
}

/** Effective grain diameter of the dose in µm. */
export function diameterUm(bench: Bench, done: ShotDone): number {
  const old = done.unpurgedFrom ?? done.setting
  const effectiveSetting = done.setting + UNPURGED_SHARE * (old - done.setting)
  return bench.diameterAtZeroUm * Math.exp(bench.lnDiameterPerUnit * effectiveSetting)
}

function channelShare(done: ShotDone, diameter: number): number {
  const opened =
    CHANNEL.tilt[done.tilt] +
    (done.isSettled ? 0 : CHANNEL.unsettled) +
    (done.isBedEven ? 0 : CHANNEL.unevenBed) +
    (done.isBasketDry ? 0 : CHANNEL.wetBasket)
  const broken = Math.max(0, BREAKS_BELOW_UM - diameter) * BREAK_SHARE_PER_UM
  return Math.min(MOST_CHANNEL_SHARE, opened + broken)
}

/** The bed as one path, or as an even part and a channelled one side by side. */
export function pathsOf(bench: Bench, done: ShotDone, cells: number): Path[] {
  const diameter = diameterUm(bench, done)
  const packed = bench.porosity + POROSITY_PER_G * (done.doseG - bench.nominalDoseG)
  const porosity = packed * (done.isSettled ? 1 : UNSETTLED_POROSITY)
  const share = channelShare(done, diameter)
  const finesShare = Math.min(0.9, REFERENCE_FINES * (REFERENCE_UM / diameter) ** 0.8)
  const path = (areaShare: number, timesMorePermeable: number): Path => ({
    bed: dryBed(done.doseG * areaShare, cells, finesShare),
    resistance: bedResistance({
      permeabilityM2: permeabilityM2(diameter, porosity) * timesMorePermeable,
      areaCm2: bench.basketAreaCm2 * areaShare,
      depthM: puckDepthM(done.doseG, bench.basketAreaCm2),
      viscosityPaS: viscosityPaS(brewC(bench, done)),
    }),
    wetG: 0,
    throughG: 0,
  })
  return share === 0 ? [path(1, 1)] : [path(1 - share, 1), path(share, CHANNEL.timesMorePermeable)]
}
