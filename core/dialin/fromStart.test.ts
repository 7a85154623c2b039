import { GRINDER, PUMP_RECIPE, grindShot } from '../testing/examples.ts'
import { adviserFromStart } from './fromStart.ts'
import { spentOn } from './spent.ts'

const known = {
  history: [],
  recipe: PUMP_RECIPE,
  grinder: { ...GRINDER, innerBurr: null, lnTimePerUnit: 0.07, purgeG: 3 },
  wish: { coffeeId: 'tern', basketId: null, doseRangeG: null, pricePerKg: 20 },
}

test('a search step by step is held against what the adviser would have needed from the same start', () => {
  const session = [20, 19, 18, 17, 16, 15, 14].map((setting) =>
    grindShot(setting, { stopS: 28 * Math.exp(-0.07 * (setting - 14)) }),
  )
  const needed = adviserFromStart({ ...known, session })
  expect(needed?.shots).toBeGreaterThanOrEqual(2)
  expect(needed?.shots).toBeLessThanOrEqual(3)
  expect(needed?.grams).toBeLessThan(70)
  expect(needed?.money).toBeCloseTo(((needed?.grams ?? 0) * 20) / 1000, 6)
})

test('from a start that was right it would have needed that one shot', () => {
  expect(adviserFromStart({ ...known, session: [grindShot(14, { stopS: 28 })] })).toMatchObject({
    shots: 1,
    grams: 18,
  })
  expect(adviserFromStart({ ...known, session: [] })).toBeNull()
})

test('of a house that goes by taste no curve tells what would have been needed', () => {
  const recipe = {
    ...PUMP_RECIPE,
    school: { onlyRecorded: ['time' as const], volume: null, tampForce: null },
  }
  const session = [grindShot(14, { stopS: 28 }, {}, {}, recipe)]
  expect(adviserFromStart({ ...known, recipe, session })).toBeNull()
})

test('spent: doses, the usual one where it was not weighed, and a purge for each change', () => {
  const shots = [
    { setting: 20, doseG: 18.2 },
    { setting: 14, doseG: null },
    { setting: null, doseG: 18 },
    { setting: 14, doseG: 18 },
  ]
  expect(spentOn(shots, { usualDoseG: 18, purgeG: 3, pricePerKg: null })).toEqual({
    shots: 4,
    grams: expect.closeTo(75.2, 6),
    money: null,
  })
})
