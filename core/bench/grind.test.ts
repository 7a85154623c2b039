import fc from 'fast-check'
import { diameterAt, diameterOf, finesLayer, finesShareOf } from './grind.ts'
import { CAREFUL_SHOT, EXAMPLE_BENCH } from './types.ts'

const bend = fc.double({ min: -0.6, max: 0.6, noNaN: true })
const slope = fc.double({ min: 0.01, max: 0.06, noNaN: true })
const grinderOf = (lnDiameterPerUnit: number, bent: number) => ({
  ...EXAMPLE_BENCH,
  lnDiameterPerUnit,
  bend: bent,
})

test('a straight scale multiplies the diameter by the same with each unit', () => {
  const ratio = (at: number) => diameterAt(EXAMPLE_BENCH, at + 1) / diameterAt(EXAMPLE_BENCH, at)
  for (const at of [0, 10, 30]) expect(ratio(at)).toBeCloseTo(Math.exp(EXAMPLE_BENCH.lnDiameterPerUnit), 9)
})

test('however a scale bends, it never turns back, and where it bends from it runs as it says', () => {
  fc.assert(
    fc.property(slope, bend, fc.integer({ min: 0, max: 39 }), (each, bent, at) => {
      const grinder = grinderOf(each, bent)
      expect(diameterAt(grinder, at + 1)).toBeGreaterThan(diameterAt(grinder, at))
      expect(diameterAt(grinder, grinder.bendsAt)).toBeCloseTo(
        diameterAt(grinderOf(each, 0), grinder.bendsAt),
        9,
      )
    }),
  )
})

test('a scale on which finer is higher is the mirror of one on which it is lower', () => {
  const up = grinderOf(0.03, 0)
  const down = grinderOf(-0.03, 0)
  expect(diameterAt(up, 20) / diameterAt(up, 14)).toBeCloseTo(diameterAt(down, 14) / diameterAt(down, 20), 9)
})

test('what was retained is mixed in by its share of the dose: none, some, or all of it', () => {
  const mixed = (retentionG: number) =>
    diameterOf({ ...EXAMPLE_BENCH, retentionG }, { ...CAREFUL_SHOT, unpurgedFrom: 24 })
  const [now, before] = [14, 24].map((at) => diameterAt(EXAMPLE_BENCH, at)) as [number, number]
  expect(mixed(0)).toBeCloseTo(now, 9)
  expect(mixed(9)).toBeCloseTo(Math.sqrt(now * before), 9)
  expect(mixed(50)).toBeCloseTo(before, 9)
  expect(diameterOf(EXAMPLE_BENCH, CAREFUL_SHOT)).toBeCloseTo(now, 9)
})

test('the finer, the more fines and the thicker their layer; at a right grind it is hardly there', () => {
  expect(finesLayer(10)).toBeLessThan(0.1)
  expect(finesLayer(6)).toBeGreaterThan(5)
  expect(finesShareOf(6)).toBeGreaterThan(finesShareOf(10))
  expect(finesShareOf(1)).toBeLessThanOrEqual(0.9)
})
