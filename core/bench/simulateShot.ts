import { allSolidsG, cupSolidsG, extractStep, HELD_WATER_PER_DOSE, wetTo } from './bed.ts'
import { cupOf } from './cup.ts'
import { REFERENCE_UM, diameterOf } from './grind.ts'
import { machineOf } from './machine.ts'
import { type Path, freshGas, gasFactor, pathsOf, resistanceNow, washOpen, wetShare } from './paths.ts'
import { REFERENCE_C, operatingPressureBar, viscosityPaS } from './physics.ts'
import type { Bench, BenchSample, ShotDone, SimulatedShot } from './types.ts'

/** Cells from top to bottom, step and sample interval; halving the step changes the results by well under 1 %. */
export const BENCH_GRID = { cells: 20, stepS: 0.05, sampleS: 0.1 } as const

const REFERENCE_VISCOSITY = viscosityPaS(REFERENCE_C)
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
  const machineAt = machineOf(bench, done, BENCH_GRID.stepS)
  const grindRate = Math.sqrt(REFERENCE_UM / diameterOf(bench, done))
  const fresh = freshGas(bench)
  const samples: BenchSample[] = []
  let firstDropS: number | null = null
  let [timeS, waterG, cupG, flowGPerS] = [0, 0, 0, 0]
  while (cupG < done.stopAtG - STOP_WITHIN_G && timeS < done.stopAtS) {
    const dtS = lastStep(stepS, done.stopAtG - cupG, flowGPerS)
    const now = machineAt(timeS, waterG)
    const { pressureBar, inG, outG } = advance(paths, {
      pump: { maxBar: now.maxBar, maxFlowGPerS: bench.pump.maxFlowGPerS },
      // Thinner water runs better, and gas stands in its way.
      resistanceFactor: (now.viscosityPaS / REFERENCE_VISCOSITY) * gasFactor(fresh, timeS),
      rateFactor: now.rateFactor * grindRate,
      dtS,
    })
    waterG += inG
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

/** One moment of a shot. */
interface Step {
  pump: Bench['pump']
  resistanceFactor: number
  rateFactor: number
  dtS: number
}

/** One step for all paths under the one pressure they share. */
function advance(
  paths: readonly Path[],
  { pump, resistanceFactor, rateFactor, dtS }: Step,
): { pressureBar: number; inG: number; outG: number } {
  if (pump.maxBar <= 0) return { pressureBar: 0, inG: 0, outG: 0 }
  const resistances = paths.map((path) => resistanceNow(path) * resistanceFactor)
  const conductance = resistances.reduce((sum, resistance) => sum + 1 / resistance, 0)
  const pressureBar = operatingPressureBar(pump, 1 / conductance)
  let [inG, outG] = [0, 0]
  paths.forEach((path, index) => {
    const intoG = (pressureBar / (resistances[index] ?? Infinity)) * dtS
    inG += intoG
    outG += flowThrough(path, intoG, dtS, rateFactor)
  })
  return { pressureBar, inG, outG }
}

/** Water first fills the bed; what is over runs through and into the cup. */
function flowThrough(path: Path, inG: number, stepS: number, rateFactor: number): number {
  const roomG = path.bed.doseG * HELD_WATER_PER_DOSE - path.wetG
  const heldG = Math.min(roomG, inG)
  path.wetG += heldG
  // The last grams of room may be lost to rounding.
  wetTo(path.bed, wetShare(path) + 1e-9)
  const outG = inG - heldG
  extractStep(path.bed, stepS, { intoG: inG, outG }, rateFactor)
  path.throughG += outG
  washOpen(path, outG)
  return outG
}
