import {
  fillingSeen,
  firstDropSeen,
  flowNow,
  isOfStream,
  projectedFinishS,
  ranAwayS,
  settledG,
} from './liveShot.ts'

/** Ten samples a second: nothing until the first drop, then a steady flow, then nothing more. */
function pour(firstDropS: number, gPerS: number, stopS: number, untilS = stopS) {
  return Array.from({ length: Math.round(untilS * 10) }, (_, at) => {
    const timeS = (at + 1) / 10
    return { timeS, weightG: Math.max(0, Math.min(timeS, stopS) - firstDropS) * gPerS }
  })
}

test('flow, projection and first drop of a steady stream', () => {
  const samples = pour(7, 1.6, 20)
  expect(flowNow(samples)).toBeCloseTo(1.6, 5)
  expect(firstDropSeen(samples)).toBeCloseTo(7.2, 1)
  expect(projectedFinishS(samples, 36)).toBeCloseTo(7 + 36 / 1.6, 5)
  expect(projectedFinishS(samples, 8)).toBeCloseTo(12, 1)
})

test('where nothing flows there is no first drop, and no end in sight', () => {
  const dry = pour(99, 1, 10)
  expect([firstDropSeen(dry), projectedFinishS(dry, 36)]).toEqual([null, null])
  expect([flowNow([]), projectedFinishS([], 36), settledG([])]).toEqual([null, null, null])
})

test('where the scale was silent as it fell, nobody knows when it did', () => {
  const heardLate = pour(7, 1.6, 20).filter(({ timeS }) => timeS < 3 || timeS > 12)
  expect(firstDropSeen(heardLate)).toBeNull()
})

test('a cup that begins to fill on a scale left alone is seen; one set down on it is not', () => {
  const shown = (...weights: number[]) => weights.map((weightG, at) => ({ timeS: at / 10, weightG }))
  const still = [0, 0.02, 0, 0.01, 0]
  expect(fillingSeen(shown(...still, 0.3, 0.5, 0.7))).toEqual({ timeS: 0.5, weightG: 0.3 })
  expect(fillingSeen(shown(...still, 118.6, 118.7, 118.8))).toBeNull()
  expect(fillingSeen(shown(...still, 0.3, 0.3, 0.3))).toBeNull()
  expect(fillingSeen(shown(0.3, 0.5, 0.7))).toBeNull()
})

test('a knock of one sample is no first drop', () => {
  const samples = pour(99, 1, 5)
  samples[20] = { timeS: 2.1, weightG: 3 }
  expect(firstDropSeen(samples)).toBeNull()
})

test('the cup has settled once nothing fell for two seconds; since then the last drip has fallen', () => {
  expect(settledG(pour(7, 1.6, 20, 21))).toBeNull()
  const settled = settledG(pour(7, 1.6, 20, 24))
  expect(settled?.weightG).toBeCloseTo(20.8, 5)
  expect(settled?.lastDripS).toBeCloseTo(20, 0)
})

test.each([
  ['a drop more', 10, 10.1, true],
  ['a hand on the scale', 10, 60, false],
  ['a cup taken away', 30, 2, false],
  ['less than nothing', 0, -45, false],
])('of the stream or not: %s', (_what, before, after, isOf) => {
  expect(isOfStream({ timeS: 5, weightG: before }, { timeS: 5.1, weightG: after })).toBe(isOf)
})

test('a sample from before the last one is not added to the stream twice', () => {
  expect(isOfStream({ timeS: 5, weightG: 1 }, { timeS: 5, weightG: 1 })).toBe(false)
})

test('a stream that runs away is named with its moment; a steady one is not', () => {
  const steady = pour(7, 1.4, 30)
  expect(ranAwayS(steady, 7, 30)).toBeNull()
  const away = steady.map(({ timeS, weightG }) => ({
    timeS,
    weightG: weightG + Math.max(0, timeS - 22) * 4,
  }))
  const atS = ranAwayS(away, 7, 30)
  expect(atS).toBeGreaterThan(22)
  expect(atS).toBeLessThan(24.5)
})
