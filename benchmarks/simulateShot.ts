import { BENCH_GRID, CAREFUL_SHOT, EXAMPLE_BENCH, type ShotDone, simulateShot } from '@calm-apron/core'

const SHOTS = 200
const DONE: ShotDone = { ...CAREFUL_SHOT, doseG: 18.6, stopAtG: Infinity, stopAtS: 30 }

/** Milliseconds of one 30 s shot at this step. */
function msPerShot(stepS: number): number {
  const start = performance.now()
  let solids = 0
  for (let shot = 0; shot < SHOTS; shot += 1) {
    solids += simulateShot(EXAMPLE_BENCH, { ...DONE, setting: 10 + (shot % 20) }, stepS).extractionPercent
  }
  if (!(solids > 0)) throw new Error('Nothing was extracted.')
  return (performance.now() - start) / SHOTS
}

msPerShot(BENCH_GRID.stepS)
const whole = msPerShot(BENCH_GRID.stepS)
const half = msPerShot(BENCH_GRID.stepS / 2)
console.log(`\nOne simulated 30 s shot, ${BENCH_GRID.cells} cells, step ${BENCH_GRID.stepS} s:`)
console.log(
  `  ${whole.toFixed(2)} ms; with half the step ${half.toFixed(2)} ms, ratio ${(half / whole).toFixed(1)}`,
)
