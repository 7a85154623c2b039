import { GRINDER, PUMP_RECIPE, grindShot } from '../testing/examples.ts'
import { dialInsDone } from './dialInsDone.ts'

const known = {
  history: [],
  recipe: PUMP_RECIPE,
  grinder: { ...GRINDER, innerBurr: null, lnTimePerUnit: 0.07, purgeG: 3 },
  wish: { coffeeId: 'tern', basketId: null, doseRangeG: null, pricePerKg: null },
}
const session = (...settings: readonly number[]) =>
  settings.map((setting) => grindShot(setting, { stopS: 28 * Math.exp(-0.07 * (setting - 14)) }))
const slow = { ...known, session: session(20, 19, 18, 17, 16, 15, 14) }

test('shots and grams a time beside what the adviser would have needed; below five only how many there were', () => {
  expect(dialInsDone([slow, slow])).toEqual({ dialIns: 2, compared: null })
  const { dialIns, compared } = dialInsDone([slow, slow, slow, slow, slow])
  expect([dialIns, compared?.of]).toEqual([5, 5])
  // A search step by step: it ends with the first shot in the window, and the adviser is there in three at most.
  expect(compared?.shots).toBeGreaterThan(2 * (compared?.adviserShots ?? 0))
  expect(compared?.grams).toBeGreaterThan(2 * (compared?.adviserGrams ?? 0))
})

test('one that was given up is none', () => {
  expect(
    dialInsDone([
      { ...known, session: session(20, 19) },
      { ...known, session: [] },
    ]).dialIns,
  ).toBe(0)
})
