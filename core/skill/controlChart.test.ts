import { controlChart } from './controlChart.ts'

const kindsAt = (values: number[]) =>
  controlChart(values)?.signals.map(({ kind, at, isWorse }) => [kind, at, isWorse])

test('one shot has no spread', () => {
  expect(controlChart([0.3])).toBeNull()
})

test('limits are the mean ± 2.66 mean moving ranges', () => {
  // Ranges 1, 2, 1: mean 4/3; values 0, 1, −1, 0: mean 0.
  expect(controlChart([0, 1, -1, 0])).toMatchObject({
    centre: 0,
    upper: expect.closeTo(3.547, 3),
    lower: expect.closeTo(-3.547, 3),
  })
})

test('a calm run signals nothing', () => {
  expect(kindsAt([0.1, -0.1, 0.2, -0.2, 0.1, 0, -0.1, 0.2, -0.1, 0])).toEqual([])
})

test('one far outside is a signal, and for the worse', () => {
  expect(kindsAt([0.1, -0.1, 0.1, -0.1, 0.1, -0.1, 0.1, -0.1, 0.1, 3])).toContainEqual(['outside', 9, true])
})

test('eight on one side of the mean, further from the target than it, is for the worse', () => {
  const run = [
    ...Array<number>(16)
      .fill(0)
      .map((_, n) => (n % 2 === 0 ? 0.1 : -0.1)),
    ...Array<number>(8)
      .fill(0)
      .map((_, n) => 0.5 + (n % 2) / 100),
  ]
  expect(kindsAt(run)).toContainEqual(['one-side', 23, true])
})

test('six that fall towards the target are an improvement', () => {
  expect(kindsAt([2, 2.1, 1.9, 1.5, 1.2, 0.9, 0.5, 0.1])).toContainEqual(['trend', 6, false])
})

test('six that rise away from it are not', () => {
  expect(kindsAt([0, 0.1, 0.3, 0.5, 0.8, 1.2])).toContainEqual(['trend', 5, true])
})

test('five that rise are no trend yet', () => {
  expect(kindsAt([0.2, 0, 0.1, 0.3, 0.5, 0.8, 0.7])?.filter(([kind]) => kind === 'trend')).toEqual([])
})
