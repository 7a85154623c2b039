import { HELD_WATER_PER_DOSE, allSolidsG, cupSolidsG, extractStep, wetTo } from './bed.ts'
import { cupOf } from './cup.ts'
import { type Path, brewC, diameterUm, pathsOf } from './paths.ts'
import { operatingPressureBar } from './physics.ts'
import type { Bench, BenchSample, ShotDone, SimulatedShot } from './types.ts'

/** Cells from top to bottom, step and sample interval; halving the step changes the results by well under 1 %. */
export const BENCH_GRID = { cells: 20, stepS: 0.05, sampleS: 0.1 } as const

/** Of a dry bed's resistance this much is there at once: screen, wall, first grains. */
const LEAST_WET_SHARE = 0.08
/** As good as wet through: the last grams of room may be lost to rounding. */
const WET_THROUGH = 1 - 1e-9
/** Extraction slows by about a third in 10 °C (Arrhenius with some 40 kJ/mol, usual for diffusion out of plant tissue). */
const RATE_PER_C = 0.04
const REFERENCE_C = 93
const REFERENCE_UM = 10
/** How near to its target the cup counts as there. */
const STOP_WITHIN_G = 0.001

/**
 * One shot from physics: a wetting front, then Darcy flow through paths side by side, and a column of cells that
 * water carries solids down. Nothing is random: the same bench and the same hands give the same shot.
 * @param stepS only for checking the step
 */
export function simulateShot(bench: Bench, done: ShotDone, stepS: number = BENCH_GRID.stepS): SimulatedShot {
  return pull(bench, done, stepS, BENCH_GRID.cells)
}

/** Only how the water runs, some six times sooner: first drop, stop and weight of the same shot as `simulateShot`. */
export function simulateFlow(
  bench: Bench,
  done: ShotDone,
): Pick<SimulatedShot, 'firstDropS' | 'stopS' | 'cupG' | 'samples'> {
  return pull(bench, done, BENCH_GRID.stepS, 0)
}

function pull(bench: Bench, done: ShotDone, stepS: number, cells: number): SimulatedShot {
  const paths = pathsOf(bench, done, cells)
  const solidsBefore = totalSolids(paths)
  const rateFactor =
    Math.exp(RATE_PER_C * (brewC(bench, done) - REFERENCE_C)) *
    Math.sqrt(REFERENCE_UM / diameterUm(bench, done))
  const samples: BenchSample[] = []
  let firstDropS: number | null = null
  let [timeS, cupG, flowGPerS] = [0, 0, 0]
  while (cupG < done.stopAtG - STOP_WITHIN_G && timeS < done.stopAtS) {
    const dtS = lastStep(stepS, done.stopAtG - cupG, flowGPerS)
    const { pressureBar, outG } = advance(paths, pumpAt(bench, timeS), dtS, rateFactor)
    timeS += dtS
    cupG += outG
    flowGPerS = outG / dtS
    if (outG > 0) firstDropS ??= timeS
    // Half a step of grace, because time is added up in steps that are not exact in binary.
    if (timeS >= (samples.length + 1) * BENCH_GRID.sampleS - stepS / 2) {
      samples.push({ timeS, weightG: cupG, flowGPerS, pressureBar })
    }
  }
  const solidsG = paths.reduce((sum, { bed }) => sum + cupSolidsG(bed), 0)
  const water = paths.reduce((sum, { throughG }) => sum + throughG, 0)
  const tdsPercent = cupG === 0 ? 0 : (solidsG / cupG) * 100
  return {
    samples,
    firstDropS,
    stopS: timeS,
    cupG,
    tdsPercent,
    extractionPercent: (solidsG / done.doseG) * 100,
    cup: cupOf(paths, bench, tdsPercent),
    channelledShare: water === 0 ? 0 : (paths[1]?.throughG ?? 0) / water,
    solidsErrorG: totalSolids(paths) - solidsBefore,
  }
}

/** A whole step, or just as much of one as brings the cup to its target at this flow. */
function lastStep(stepS: number, missingG: number, flowGPerS: number): number {
  return flowGPerS * stepS > missingG ? missingG / flowGPerS : stepS
}

function totalSolids(paths: readonly Path[]): number {
  return paths.reduce((sum, { bed }) => sum + allSolidsG(bed), 0)
}

/** The pump as it is at this second: pre-infusion, then the climb to full pressure. */
function pumpAt(bench: Bench, timeS: number): Bench['pump'] {
  if (timeS < bench.preinfusionS) return { ...bench.pump, maxBar: bench.preinfusionBar }
  const climb = Math.min(1, (timeS - bench.preinfusionS + BENCH_GRID.stepS) / bench.rampS)
  return { ...bench.pump, maxBar: bench.pump.maxBar * climb }
}

/** One step for all paths under the one pressure they share. */
function advance(
  paths: readonly Path[],
  pump: Bench['pump'],
  stepS: number,
  rateFactor: number,
): { pressureBar: number; outG: number } {
  if (pump.maxBar <= 0) return { pressureBar: 0, outG: 0 }
  const resistances = paths.map(({ resistance, closedResistance, wetG, bed }) => {
    const wet = wetShare(wetG, bed.doseG)
    return wet < WET_THROUGH ? closedResistance * Math.max(LEAST_WET_SHARE, wet) : resistance
  })
  const conductance = resistances.reduce((sum, resistance) => sum + 1 / resistance, 0)
  const pressureBar = operatingPressureBar(pump, 1 / conductance)
  let outG = 0
  paths.forEach((path, index) => {
    const inG = (pressureBar / (resistances[index] ?? Infinity)) * stepS
    outG += flowThrough(path, inG, stepS, rateFactor)
  })
  return { pressureBar, outG }
}

function wetShare(wetG: number, doseG: number): number {
  return wetG / (doseG * HELD_WATER_PER_DOSE)
}

/** Water first fills the bed; what is over runs through and into the cup. */
function flowThrough(path: Path, inG: number, stepS: number, rateFactor: number): number {
  const roomG = path.bed.doseG * HELD_WATER_PER_DOSE - path.wetG
  const heldG = Math.min(roomG, inG)
  path.wetG += heldG
  // The last grams of room may be lost to rounding.
  wetTo(path.bed, wetShare(path.wetG, path.bed.doseG) + 1e-9)
  const outG = inG - heldG
  extractStep(path.bed, stepS, outG, rateFactor)
  path.throughG += outG
  return outG
}
