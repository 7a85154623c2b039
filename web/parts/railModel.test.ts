import { readShot, unknownFacts } from '@calm-apron/core'
import { markOf, railsOf } from './railModel.ts'

test.each([
  [0, 0.5, false],
  [0.3, 2 / 3, false],
  [-0.6, 1 / 6, false],
  [0.9, 1, false],
  [5, 1, true],
  [-5, 0, true],
])('a deviation of %d at a tolerance of 0.3 rests at %d', (deviation, at, isOffScale) => {
  const mark = markOf({ deviation, tolerance: 0.3, standing: 'off' })
  expect(mark.at).toBeCloseTo(at)
  expect(mark.isOffScale).toBe(isOffScale)
})

test('a shot of which nothing is known has five empty rails in the order of judgement', () => {
  const recipe = {
    doseG: 18,
    doseToleranceG: 0.3,
    yieldG: 36,
    yieldToleranceG: 2,
    clock: 'pump' as const,
    timeMinS: 25,
    timeMaxS: 31,
    firstDropMinS: 5,
    firstDropMaxS: 10,
    tasteTolerance: 2,
    sweetMin: 5,
  }
  const rails = railsOf(readShot(unknownFacts(), recipe))
  expect(rails.map(({ kind }) => kind)).toEqual(['dose', 'tamp', 'yield', 'time', 'taste'])
  expect(rails.every(({ isJudged, mark }) => !isJudged && mark === null)).toBe(true)
})
