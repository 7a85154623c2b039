import { type Bed, HELD_WATER_PER_DOSE, dryBed } from './bed.ts'
import { diameterOf, finesLayer, finesShareOf } from './grind.ts'
import { REFERENCE_C, bedResistance, permeabilityM2, puckDepthM, viscosityPaS } from './physics.ts'
import type { Bench, ShotDone } from './types.ts'

/** A part of the bed with its own way for the water. */
export interface Path {
  bed: Bed
  /** bar per g/s wet through, before anything washes open, at 93 °C. */
  resistance: number
  /** How far a weak place has washed open: 0 not yet, 1 all the way; an even part stays at 0. */
  openness: number
  /** How many times more lets through what is washed open all the way. */
  timesMorePermeable: number
  /** Resistance of the fines over the holes once all have come, in parts of its own. */
  layer: number
  wetG: number
  throughG: number
}

/** Share of the area that each fault opens at most, and how much more such a place lets through in the end. */
const CHANNEL = {
  tilt: { level: 0, slight: 0.01, clear: 0.032 },
  unsettled: 0.04,
  uneven: 0.042,
  wetBasket: 0.026,
  overfull: 0.03,
  gas: 0.012,
  timesMorePermeable: 18,
} as const
/**
 * From this share on a weak place is open from the first; smaller ones begin as their cube, wet with the rest and
 * wash open with each gram of water that each of theirs has seen. Both are assumptions, after what bottomless baskets
 * show: the first drops come everywhere, the jet a few seconds later.
 */
const OPEN_AT_ONCE_SHARE = 0.1
const OPENS_WITH_G_PER_G = 4
/** The fines have come once about this much water has run through each gram: within the first third of a shot. */
const LAYER_WITH_G_PER_G = 0.5
/**
 * More coffee pressed into the same basket closes its pores. Depth alone gives ln time 1.0 per ln of dose (Darcy); the
 * trade's working rule, about 2 % of time for each 0.1 g in 18 g, asks for 3.6. No measurement of the rest is
 * published: it is put here, an assumption.
 */
const POROSITY_PER_LN_DOSE = -0.13
/** A bed that was not pressed at all is this much more open; pressed twice as far as it needs, a fifth of that closer. */
const UNPRESSED_POROSITY = 0.02
const OVERPRESSED_POROSITY = 0.022
/** Old coffee has lost the oils and the gas that hold water back. */
const STALE_POROSITY = 0.07
/** Grams over the nominal from which the bed touches the screen. */
const HEADSPACE_G = 1
/** Below this effective diameter the pressure breaks channels of its own, growing with fineness. */
const BREAKS_BELOW_UM = 7.7
const BREAK_SHARE_PER_UM = 0.034
const MOST_BROKEN_SHARE = 0.08
const MOST_CHANNEL_SHARE = 0.25

/** Shares of the area: what hands and coffee left weak, and with what the pressure breaks once it is wet. */
function weakShares(bench: Bench, done: ShotDone, diameter: number): { made: number; all: number } {
  const overfullG = Math.max(0, done.doseG - bench.nominalDoseG - HEADSPACE_G)
  const made =
    CHANNEL.tilt[done.tilt] +
    CHANNEL.unsettled * Math.max(0, 1 - done.pressed) +
    CHANNEL.uneven * done.unevenness +
    (done.isBasketDry ? 0 : CHANNEL.wetBasket) +
    CHANNEL.overfull * Math.min(1, overfullG) +
    CHANNEL.gas * freshGas(bench)
  const broken = Math.min(MOST_BROKEN_SHARE, Math.max(0, BREAKS_BELOW_UM - diameter) * BREAK_SHARE_PER_UM)
  return { made, all: Math.min(MOST_CHANNEL_SHARE, made + broken) }
}

/** Gas above that of rested coffee. */
const RESTED_GAS = 0.4
/** 0 when rested … 1 on the day after roasting. */
export function freshGas({ coffee }: Bench): number {
  return Math.max(0, coffee.gas - RESTED_GAS) / (1 - RESTED_GAS)
}

function porosityOf(bench: Bench, done: ShotDone): number {
  const packed = bench.porosity + POROSITY_PER_LN_DOSE * Math.log(done.doseG / bench.nominalDoseG)
  const pressing =
    done.pressed < 1 ? UNPRESSED_POROSITY * (1 - done.pressed) : OVERPRESSED_POROSITY * (1 - done.pressed)
  return packed * (1 + pressing + STALE_POROSITY * bench.coffee.staleness)
}

/** The bed as one path, or as an even part and a weak one side by side. */
export function pathsOf(bench: Bench, done: ShotDone, cells: number): Path[] {
  const diameter = diameterOf(bench, done)
  const { made, all: share } = weakShares(bench, done, diameter)
  const even = bedResistance({
    permeabilityM2: permeabilityM2(diameter, porosityOf(bench, done)),
    areaCm2: bench.basketAreaCm2,
    depthM: puckDepthM(done.doseG, bench.basketAreaCm2),
    viscosityPaS: viscosityPaS(REFERENCE_C),
  })
  const path = (areaShare: number, timesMorePermeable: number, openness: number): Path => ({
    bed: dryBed(done.doseG * areaShare, cells, finesShareOf(diameter)),
    resistance: even / areaShare,
    openness,
    timesMorePermeable,
    layer: finesLayer(diameter),
    wetG: 0,
    throughG: 0,
  })
  if (share === 0) return [path(1, 1, 0)]
  const openness = Math.min(1, (made / OPEN_AT_ONCE_SHARE) ** 3)
  return [path(1 - share, 1, 0), path(share, CHANNEL.timesMorePermeable, openness)]
}

/** Of a dry bed's resistance this much is there at once: screen, wall, first grains. */
const LEAST_WET_SHARE = 0.08

/** Share of its room that is wet. */
export function wetShare({ wetG, bed }: Path): number {
  return wetG / (bed.doseG * HELD_WATER_PER_DOSE)
}

/** Resistance of a path as it stands, in bar per g/s at 93 °C. */
export function resistanceNow(path: Path): number {
  const { resistance, openness, timesMorePermeable, layer, throughG, bed } = path
  const fillings = throughG / bed.doseG
  const own = Math.max(LEAST_WET_SHARE, wetShare(path)) / (1 + (timesMorePermeable - 1) * openness)
  return resistance * (own + layer * -Math.expm1(-fillings / LAYER_WITH_G_PER_G))
}

/** What a gram of water more does to a weak place: it washes open. */
export function washOpen(path: Path, outG: number): void {
  if (path.timesMorePermeable === 1) return
  path.openness += (1 - path.openness) * -Math.expm1(-outG / path.bed.doseG / OPENS_WITH_G_PER_G)
}

/** Gas that leaves the bed stands in the water's way: this much resistance at first, gone after some 10 s, uneven in time. */
const GAS_RESISTANCE = 0.9
const GAS_FADES_S = 10
const GAS_WOBBLE = 0.5
const [GAS_WOBBLE_S, GAS_SLOW_WOBBLE_S] = [1.7, 4.1]

/** How many times more a bed of fresh coffee resists at this moment; 1 when rested. Sizes are assumptions. */
export function gasFactor(fresh: number, timeS: number): number {
  if (fresh === 0) return 1
  const wobble =
    (Math.sin((2 * Math.PI * timeS) / GAS_WOBBLE_S) + Math.sin((2 * Math.PI * timeS) / GAS_SLOW_WOBBLE_S)) / 2
  return 1 + GAS_RESISTANCE * fresh * Math.exp(-timeS / GAS_FADES_S) * (1 + GAS_WOBBLE * wobble)
}
