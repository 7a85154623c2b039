import fc from 'fast-check'
import { STANDINGS } from '../reading/types.ts'
import { onProbability } from './onProbability.ts'
import { countsOf, effectiveShots, tallyOf, withMoreOn } from './tally.ts'

const HALVING = 12

test('a shot twelve shots old is worth half a new one', () => {
  const run = ['off' as const, ...Array<'on'>(11).fill('on'), 'near' as const]
  const { weights } = tallyOf(run, HALVING)
  expect([weights.near, weights.off]).toEqual([1, expect.closeTo(0.5)])
})

test('equal weights are worth as many shots as there are, uneven ones fewer', () => {
  expect(effectiveShots(tallyOf(['on', 'on', 'off', 'near'], Infinity))).toBe(4)
  expect(effectiveShots(tallyOf(['on', 'on'], 1))).toBeCloseTo(1.8)
  expect(effectiveShots(tallyOf([], HALVING))).toBe(0)
})

test('more on is added without going through them', () => {
  const run = ['off', 'near', 'on', 'off'] as const
  for (const halving of [HALVING, Infinity]) {
    const { weights, squares } = withMoreOn(tallyOf(run, halving), 5, halving)
    const whole = tallyOf([...run, ...Array<'on'>(5).fill('on')], halving)
    expect(squares).toBeCloseTo(whole.squares)
    for (const standing of STANDINGS) expect(weights[standing]).toBeCloseTo(whole.weights[standing])
  }
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
  const tally = tallyOf(['on', 'near', 'off', 'on'], HALVING)
  const { on, near, off } = countsOf(tally)
  expect(on + near + off).toBeCloseTo(effectiveShots(tally))
})
