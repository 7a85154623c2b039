import fc from 'fast-check'
import { caffeineMg } from './caffeine.ts'
import { type SessionWish, planSession } from './planSession.ts'

const WISH: SessionWish = {
  trainees: 5,
  shotsEach: 6,
  groups: 2,
  doseG: 18,
  surplusG: 0.5,
  dialInShots: 4,
  purges: 3,
  purgeG: 3,
  wasteShare: 0.1,
  bagG: 250,
  bagPrice: 11,
  minutesPerShot: 4,
  breakMinutes: 10,
  warmUpMinutes: 25,
  coffee: null,
  milkDrinksEach: 2,
  milkMl: 180,
}

test('by hand: beans, bags, cost, milk, minutes', () => {
  // 30 × 18.5 + 4 × 21 + 3 × 3 = 648 g, with a tenth for waste 712.8 g: three bags. 30 shots on two groups: 15 rounds.
  expect(planSession(WISH)).toMatchObject({
    beansG: expect.closeTo(712.8),
    bags: 3,
    beansCost: 33,
    milkMl: expect.closeTo(1980),
    minutes: 70,
    warmUpStartMinute: -25,
  })
})

test('the break stands in the middle, and everything after it is later', () => {
  // 15 rounds of 4 minutes: after the eighth, from minute 32 on.
  const { turns, breakStartMinute } = planSession(WISH)
  expect(breakStartMinute).toBe(32)
  expect(turns.filter(({ startMinute }) => startMinute >= 32 && startMinute < 42)).toEqual([])
  expect(turns.at(-1)?.startMinute).toBe(66)
  expect(planSession({ ...WISH, breakMinutes: 0 }).breakStartMinute).toBeNull()
})

test('how old the coffee will be on the day', () => {
  const freshness = { restDays: 5, bestUntilDays: 21, usableUntilDays: 35 }
  const coffee = { roastedOn: '2026-11-20', onDate: '2026-11-23', freshness }
  expect(planSession({ ...WISH, coffee }).coffee).toEqual({
    days: 3,
    freshness: 'too-fresh',
    restDaysLeft: 2,
  })
})

test('exactly a bagful opens no second bag', () => {
  expect(
    planSession({
      ...WISH,
      trainees: 1,
      shotsEach: 1,
      doseG: 250,
      surplusG: 0,
      dialInShots: 0,
      purges: 0,
      wasteShare: 0,
    }).bags,
  ).toBe(1)
})

test('everyone pulls equally often, no one at two groups at once, no group twice at a time', () => {
  const few = fc.integer({ min: 1, max: 9 })
  fc.assert(
    fc.property(few, few, fc.integer({ min: 1, max: 4 }), (trainees, shotsEach, groups) => {
      const { turns } = planSession({ ...WISH, trainees, shotsEach, groups })
      for (let who = 0; who < trainees; who += 1)
        expect(turns.filter(({ trainee }) => trainee === who)).toHaveLength(shotsEach)
      const places = turns.map(({ group, startMinute }) => `${group} at ${startMinute}`)
      expect(new Set(places).size).toBe(places.length)
      const people = turns.map(({ trainee, startMinute }) => `${trainee} at ${startMinute}`)
      expect(new Set(people).size).toBe(people.length)
      expect(Math.max(...turns.map(({ group }) => group))).toBeLessThan(groups)
    }),
  )
})

test.each([
  [{ doseG: 18, robustaShare: 0, swallowedShare: 1 }, 180],
  [{ doseG: 18, robustaShare: 1, swallowedShare: 0.5 }, 180],
  [{ doseG: 18, robustaShare: 0.2, swallowedShare: 0.1 }, 21.6],
])('%j holds about %d mg', (tasting, mg) => {
  expect(caffeineMg([tasting])).toBeCloseTo(mg)
  expect(caffeineMg([tasting, tasting])).toBeCloseTo(2 * mg)
})
