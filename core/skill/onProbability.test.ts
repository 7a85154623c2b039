import fc from 'fast-check'
import { STANDINGS } from '../reading/types.ts'
import { effectiveSize, forgettingWeights } from './forgetting.ts'
import { countStandings, onProbability } from './onProbability.ts'

const HALVING = 12

test('a shot twelve shots old is worth half a new one', () => {
  const weights = forgettingWeights(13, HALVING)
  expect([weights[0], weights[12]]).toEqual([0.5, 1])
})

test('equal weights are worth as many shots as there are, uneven ones fewer', () => {
  expect(effectiveSize([1, 1, 1, 1])).toBe(4)
  expect(effectiveSize([1, 0.5])).toBeCloseTo(1.8)
  expect(effectiveSize([])).toBe(0)
})

test('knowing nothing, anything is as likely', () => {
  expect(onProbability([], HALVING)).toMatchObject({
    mean: 0.5,
    low: expect.closeTo(0.05),
    high: expect.closeTo(0.95),
  })
})

test('without forgetting it is the Beta posterior of the counts', () => {
  const { mean } = onProbability(['on', 'on', 'near', 'off', 'on'], Infinity)
  expect(mean).toBeCloseTo(4 / 7)
})

test('what was done lately counts for more', () => {
  const early = [...Array<'off'>(10).fill('off'), ...Array<'on'>(10).fill('on')]
  expect(onProbability(early, HALVING).mean).toBeGreaterThan(
    onProbability([...early].reverse(), HALVING).mean,
  )
})

test('one more shot on never lowers the interval, one more off never raises it', () => {
  fc.assert(
    fc.property(fc.array(fc.constantFrom(...STANDINGS), { maxLength: 60 }), (run) => {
      const { low, high } = onProbability(run, Infinity)
      expect(onProbability([...run, 'on'], Infinity).low).toBeGreaterThanOrEqual(low - 1e-9)
      expect(onProbability([...run, 'off'], Infinity).high).toBeLessThanOrEqual(high + 1e-9)
    }),
  )
})

test('counts add up to the shots that the weighted run is worth', () => {
  const { on, near, off } = countStandings(['on', 'near', 'off', 'on'], HALVING)
  expect(on + near + off).toBeCloseTo(effectiveSize(forgettingWeights(4, HALVING)))
})
