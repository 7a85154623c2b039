import { readShot, unknownFacts } from '@calm-apron/core'
import { PUMP_RECIPE, carefulShot } from '@calm-apron/core/testing'
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
  const rails = railsOf(readShot(unknownFacts(), PUMP_RECIPE))
  expect(rails.map(({ kind }) => kind)).toEqual(['dose', 'tamp', 'yield', 'time', 'taste'])
  expect(rails.every(({ isJudged, mark }) => !isJudged && mark === null)).toBe(true)
})

test('a tamp is words on its rail: a mark that leans to the low side, but no target', () => {
  const facts = carefulShot({}, { tamp: { tilt: 'clear', lowSide: 'right', settled: true } })
  const tamp = railsOf(readShot(facts, PUMP_RECIPE)).find(({ kind }) => kind === 'tamp')
  expect(tamp).toMatchObject({
    hasTarget: false,
    mark: { standing: 'off', side: 'right', isOffScale: false },
  })
})

test('channelling is a flag on the taste rail', () => {
  const facts = carefulShot({}, { look: { stream: 'spurting', puck: null } })
  const flagged = railsOf(readShot(facts, PUMP_RECIPE)).filter(({ isUneven }) => isUneven)
  expect(flagged.map(({ kind }) => kind)).toEqual(['taste'])
})
