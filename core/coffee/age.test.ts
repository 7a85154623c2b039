import { coffeeAge } from './age.ts'

const WINDOW = { restDays: 5, bestUntilDays: 21, usableUntilDays: 35 }

test.each([
  ['2026-11-20', 3, 'too-fresh', 2],
  ['2026-11-18', 5, 'in-window', 0],
  ['2026-11-02', 21, 'in-window', 0],
  ['2026-11-01', 22, 'fading', 0],
  ['2026-10-18', 36, 'past', 0],
])('roasted on %s it is %d days old on 23 November: %s', (roastedOn, days, freshness, restDaysLeft) => {
  expect(coffeeAge(roastedOn, '2026-11-23', WINDOW)).toEqual({ days, freshness, restDaysLeft })
})

test('the night the clocks change is one day like any other', () => {
  expect(coffeeAge('2026-10-24', '2026-10-26', WINDOW).days).toBe(2)
})
