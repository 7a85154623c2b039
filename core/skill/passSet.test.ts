import { passProbability, passSetProbability } from './passSet.ts'
import { DEFAULT_PROGRAMME } from './types.ts'

const pass = (on: number, near: number, off: number) => passProbability({ on, near, off }, DEFAULT_PROGRAMME)

test('by hand: knowing nothing, five on or four on and one near', () => {
  // Dirichlet(1, ½, ½): (1·2·3·4·5 + 5 · 1·2·3·4 · ½) ÷ (2·3·4·5·6)
  expect(pass(0, 0, 0)).toBeCloseTo((120 + 60) / 720)
})

test('someone who has been on all along passes, someone who was off half the time does not', () => {
  expect(pass(60, 0, 0)).toBeGreaterThan(0.95)
  expect(pass(10, 0, 10)).toBeLessThan(0.1)
})

test('near misses hurt less than clear ones', () => {
  expect(pass(18, 4, 0)).toBeGreaterThan(pass(18, 0, 4))
})

test('a set passes when each reading does', () => {
  const counts = { on: 20, near: 1, off: 0 }
  expect(passSetProbability([counts, counts], DEFAULT_PROGRAMME)).toBeCloseTo(pass(20, 1, 0) ** 2)
})
