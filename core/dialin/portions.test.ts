import { calibrateDoser, portionsAtLast } from './calibrateDoser.ts'

test('a grinder’s seconds are judged by what was weighed at its last setting', () => {
  const portions = [
    { seconds: 4, grams: 8, settingAt: 12 },
    { seconds: 8, grams: 16, settingAt: 12 },
    { seconds: 4, grams: 6, settingAt: 10 },
    { seconds: 8, grams: 12, settingAt: 10 },
  ]
  expect(calibrateDoser(portionsAtLast(portions))?.gramsPerS).toBeCloseTo(1.5)
  expect(portionsAtLast(portions.map(({ settingAt: _at, ...each }) => each))).toHaveLength(4)
  expect(portionsAtLast([])).toEqual([])
})
