import { seeded } from '../random/seeded.ts'
import { shiftToSay } from './shiftToSay.ts'

const around = (centre: number, shots: number, seed: number, spread = 0.5) => {
  const chance = seeded(seed)
  return Array.from({ length: shots }, () => chance.normal(centre, spread))
}

test('shots that went two spreads from where they lay are told, with how many and where', () => {
  const told = shiftToSay([...around(0, 40, 1), ...around(1.2, 12, 2)])
  expect(told?.shots).toBeGreaterThanOrEqual(10)
  expect(told?.mean).toBeGreaterThan(0.8)
})

test('nothing is told towards the target, near it, or without enough before', () => {
  expect(shiftToSay([...around(2, 40, 3), ...around(0, 12, 4)])).toBeNull()
  // Ever so sure, and still no more than a fifth of the tolerance.
  expect(shiftToSay([...around(0, 40, 5, 0.02), ...around(0.2, 12, 6, 0.02)])).toBeNull()
  expect(shiftToSay([...around(0, 12, 7), ...around(2, 12, 8)])).toBeNull()
  expect(shiftToSay([])).toBeNull()
})

test('of fifty who keep steady chance alone tells it of few', () => {
  const told = Array.from({ length: 50 }, (_each, no) => shiftToSay(around(0, 100, 100 + no)))
  expect(told.filter((each) => each !== null).length).toBeLessThanOrEqual(1)
})
