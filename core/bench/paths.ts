import { type Bed, dryBed } from './bed.ts'
import { bedResistance, permeabilityM2, puckDepthM, viscosityPaS } from './physics.ts'
import type { Bench, ShotDone } from './types.ts'

/** A part of the bed with its own way for the water. */
export interface Path {
  bed: Bed
  /** bar per g/s once it is wet through; a channel only washes open then, until when it is `closedResistance`. */
  resistance: number
  closedResistance: number
  wetG: number
  throughG: number
}

/** Share of the area and how much more permeable: what each fault opens. */
const CHANNEL = {
  tilt: { level: 0, slight: 0.01, clear: 0.032 },
  unsettled: 0.022,
  uneven: 0.042,
  wetBasket: 0.026,
  overfull: 0.03,
  gas: 0.02,
  timesMorePermeable: 8,
  /** How much more permeable it is before it has washed open, for each share of the area. */
  closedPerShare: 18,
} as const
/** More coffee pressed into the same basket closes its pores: with the depth about 2 % of time for each 0.1 g. */
const POROSITY_PER_G = -0.0072
/** A bed that was not pressed at all is this much more open; pressed twice as far as it needs, a fifth of that closer. */
const UNPRESSED_POROSITY = 0.065
const OVERPRESSED_POROSITY = 0.022
/** Old coffee has lost the oils and the gas that hold water back. */
const STALE_POROSITY = 0.07
/** Grams over the nominal from which the bed touches the screen. */
const HEADSPACE_G = 1
/** Gas above that of rested coffee breaks the bed up. */
const RESTED_GAS = 0.4
/** Below this effective diameter the pressure breaks channels of its own, growing with fineness. */
const BREAKS_BELOW_UM = 7.7
const BREAK_SHARE_PER_UM = 0.034
const MOST_BROKEN_SHARE = 0.08
const MOST_CHANNEL_SHARE = 0.25
/** Share of a dose that is still the old grind when the grinder was not purged. */
const UNPURGED_SHARE = 0.4
const REFERENCE_FINES = 0.5
const REFERENCE_UM = 10

/** Temperature of the water that meets the coffee, in °C. */
export function brewC(bench: Bench, done: ShotDone): number {
  return bench.waterC + done.offC
}

/** Effective grain diameter of the dose in µm. */
export function diameterUm(bench: Bench, done: ShotDone): number {
  const old = done.unpurgedFrom ?? done.setting
  const effectiveSetting = done.setting + UNPURGED_SHARE * (old - done.setting)
  return bench.diameterAtZeroUm * Math.exp(bench.lnDiameterPerUnit * effectiveSetting)
}

function channelShare(bench: Bench, done: ShotDone, diameter: number): number {
  const overfullG = Math.max(0, done.doseG - bench.nominalDoseG - HEADSPACE_G)
  const opened =
    CHANNEL.tilt[done.tilt] +
    CHANNEL.unsettled * Math.max(0, 1 - done.pressed) +
    CHANNEL.uneven * done.unevenness +
    (done.isBasketDry ? 0 : CHANNEL.wetBasket) +
    CHANNEL.overfull * Math.min(1, overfullG) +
    CHANNEL.gas * Math.max(0, bench.coffee.gas - RESTED_GAS)
  const broken = Math.min(MOST_BROKEN_SHARE, Math.max(0, BREAKS_BELOW_UM - diameter) * BREAK_SHARE_PER_UM)
  return Math.min(MOST_CHANNEL_SHARE, opened + broken)
}

function porosityOf(bench: Bench, done: ShotDone): number {
  const packed = bench.porosity + POROSITY_PER_G * (done.doseG - bench.nominalDoseG)
  const pressing =
    done.pressed < 1 ? UNPRESSED_POROSITY * (1 - done.pressed) : OVERPRESSED_POROSITY * (1 - done.pressed)
  return packed * (1 + pressing + STALE_POROSITY * bench.coffee.staleness)
}

/** The bed as one path, or as an even part and a channelled one side by side. */
export function pathsOf(bench: Bench, done: ShotDone, cells: number): Path[] {
  const diameter = diameterUm(bench, done)
  const porosity = porosityOf(bench, done)
  const share = channelShare(bench, done, diameter)
  const finesShare = Math.min(0.9, REFERENCE_FINES * (REFERENCE_UM / diameter) ** 0.8)
  const path = (areaShare: number, timesMorePermeable: number, closed: number): Path => {
    const even = bedResistance({
      permeabilityM2: permeabilityM2(diameter, porosity),
      areaCm2: bench.basketAreaCm2 * areaShare,
      depthM: puckDepthM(done.doseG, bench.basketAreaCm2),
      viscosityPaS: viscosityPaS(brewC(bench, done)),
    })
    return {
      bed: dryBed(done.doseG * areaShare, cells, finesShare),
      resistance: even / timesMorePermeable,
      closedResistance: even / closed,
      wetG: 0,
      throughG: 0,
    }
  }
  if (share === 0) return [path(1, 1, 1)]
  return [path(1 - share, 1, 1), path(share, CHANNEL.timesMorePermeable, 1 + CHANNEL.closedPerShare * share)]
}
