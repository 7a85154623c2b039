import { seeded } from './seeded.ts'

const many = (draw: () => number) => Array.from({ length: 20_000 }, draw)
const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length

test('one seed is one sequence', () => {
  const of = (seed: number) => {
    const chance = seeded(seed)
    return [chance.uniform(), chance.normal(0, 1), chance.between(2, 3)]
  }
  expect(of(4)).toEqual(of(4))
  expect(of(4)).not.toEqual(of(5))
})

test('means and spreads are what they are called', () => {
  const chance = seeded(1)
  expect(mean(many(() => chance.uniform()))).toBeCloseTo(0.5, 1)
  const normal = many(() => chance.normal(3, 2))
  expect(mean(normal)).toBeCloseTo(3, 1)
  expect(Math.sqrt(mean(normal.map((value) => (value - 3) ** 2)))).toBeCloseTo(2, 1)
  expect(mean(many(() => Number(chance.chance(0.3))))).toBeCloseTo(0.3, 1)
  const between = many(() => chance.between(-1, 4))
  expect(Math.min(...between)).toBeGreaterThanOrEqual(-1)
  expect(Math.max(...between)).toBeLessThan(4)
})

test('each of several is picked', () => {
  const chance = seeded(2)
  expect(new Set(many(() => chance.pick([1, 2, 3])))).toEqual(new Set([1, 2, 3]))
})
