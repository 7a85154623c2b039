import { machineOf } from './machine.ts'
import { type Bench, CAREFUL_SHOT, EXAMPLE_BENCH } from './types.ts'

const STEP_S = 0.05
const at = (bench: Partial<Bench>, timeS: number, waterG = 0, offC = 0) =>
  machineOf({ ...EXAMPLE_BENCH, ...bench }, { ...CAREFUL_SHOT, offC }, STEP_S)(timeS, waterG)

test('a pump climbs to its pressure and stays there', () => {
  const full = EXAMPLE_BENCH.pump.maxBar
  expect(at({}, 0).maxBar).toBeLessThan(0.1 * full)
  expect(at({}, 1).maxBar).toBeCloseTo(full * 0.525, 6)
  expect(at({}, 20, 60).maxBar).toBe(full)
})

test('pre-infusion holds its own pressure, and the climb begins from there', () => {
  const bench = { preinfusionS: 6, preinfusionBar: 2 }
  expect(at(bench, 3).maxBar).toBe(2)
  expect(at(bench, 6).maxBar).toBeGreaterThan(2)
  expect(at(bench, 6.5).maxBar).toBeLessThan(EXAMPLE_BENCH.pump.maxBar)
  expect(at(bench, 9).maxBar).toBe(EXAMPLE_BENCH.pump.maxBar)
})

test('a spring presses less with each gram, and never less than at its end', () => {
  const spring = { startBar: 9, endBar: 4, strokeG: 50 }
  expect([0, 25, 50, 80].map((waterG) => at({ spring }, 10, waterG).maxBar)).toEqual([9, 6.5, 4, 4])
})

test('what is not heated through is thicker water that dissolves less', () => {
  const [hot, cold] = [at({}, 10), at({}, 10, 0, -10)]
  expect(cold.viscosityPaS).toBeGreaterThan(1.08 * hot.viscosityPaS)
  expect(cold.rateFactor).toBeCloseTo(Math.exp(-0.4), 9)
})

test('a thermostat swings about its mean, and comes round', () => {
  const swing = { amplitudeC: 8, periodS: 80, phase: 0 }
  const rate = (timeS: number) => at({ swing }, timeS).rateFactor
  expect(rate(20)).toBeGreaterThan(rate(0))
  expect(rate(60)).toBeLessThan(rate(0))
  expect(rate(80)).toBeCloseTo(rate(0), 9)
})
