import { normalCdf } from './normal.ts'
import { betaQuantile } from './betaQuantile.ts'
import { median, robustSd, weightedMean, weightedRobustSd } from './robust.ts'

test.each([
  [[3], 3],
  [[1, 9, 2], 2],
  [[4, 1, 3, 2], 2.5],
])('the median of %j is %d', (values, expected) => {
  expect(median(values)).toBe(expected)
})

test('of nothing there is no median', () => {
  expect(median([])).toBeNaN()
})

test('one botched value does not move the robust spread', () => {
  const steady = [-2, -1, 0, 1, 2]
  expect(robustSd([...steady, 500])).toBeLessThan(robustSd(steady) * 1.6)
})

test('a weighted mean goes by the weights, and no botched value pulls it far', () => {
  const even = [1, 1, 1, 1]
  expect(weightedMean([1, 2, 3, 4], even)).toBeCloseTo(2.5)
  expect(weightedMean([0, 0, 1, 1], [0, 0, 1, 1])).toBeCloseTo(1)
  const steady = [-2, -1, 0, 1, 2]
  expect(weightedMean([...steady, 500], [...even, 1, 1])).toBeLessThan(2)
  expect(weightedRobustSd(steady, [...even, 1], 0)).toBeCloseTo(1.4826)
  // Two camps far from their middle are a wide spread, whichever was seen last.
  expect(weightedRobustSd([-3, 3, -3, 3], even, 0)).toBeCloseTo(3 * 1.4826)
})

test.each([
  // A uniform variable, and two with closed forms: F(x) = xⁿ for Beta(n, 1), 1 − (1 − x)ⁿ for Beta(1, n).
  [0.3, 1, 1, 0.3],
  [0.05, 9, 1, 0.05 ** (1 / 9)],
  [0.95, 1, 4, 1 - 0.05 ** (1 / 4)],
])('the %d quantile of Beta(%d, %d) is %d', (probability, alpha, beta, expected) => {
  expect(betaQuantile(probability, alpha, beta)).toBeCloseTo(expected, 6)
})

test('the normal distribution against published values', () => {
  expect(normalCdf(0)).toBeCloseTo(0.5, 6)
  expect(normalCdf(1.6449)).toBeCloseTo(0.95, 4)
  expect(normalCdf(-1.96)).toBeCloseTo(0.025, 4)
  expect(normalCdf(8)).toBeCloseTo(1, 9)
})
