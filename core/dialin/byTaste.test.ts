import { GRINDER, PUMP_RECIPE, grindShot, taste } from '../testing/examples.ts'
import { adviseGrind } from './adviseGrind.ts'
import type { DialInGrinder, SessionShot } from './types.ts'

const MILL: DialInGrinder = { ...GRINDER, innerBurr: null, lnTimePerUnit: 0.07, purgeG: 3 }
const recipe = { ...PUMP_RECIPE, school: { onlyRecorded: ['time' as const], volume: null, tampForce: null } }
const wish = { coffeeId: 'tern', basketId: null, doseRangeG: null, pricePerKg: null }
const advise = (...session: SessionShot[]) =>
  adviseGrind({ history: [], session, recipe, grinder: MILL, wish })

const by = (
  setting: number,
  cup: ReturnType<typeof taste> | null,
  { yieldG = null, stopS = 28 }: { yieldG?: number | null; stopS?: number } = {},
) =>
  grindShot(
    setting,
    { stopS, cupG: yieldG ?? 36 },
    {},
    { ...(cup && { taste: cup }), ...(yieldG !== null && { wanted: { doseG: null, yieldG } }) },
    recipe,
  )
const [sour, bitter, good, both] = [taste(8, 3, 2), taste(2, 3, 8), taste(4, 7, 4), taste(7, 3, 7)]

test('untasted it asks for a taste; right it is tasted again, and right twice it is found', () => {
  expect(advise(by(14, null)).step).toBe('taste-it')
  expect(advise(by(14, good))).toMatchObject({ step: 'taste-again', setting: 14 })
  expect(advise(by(14, good), by(14, good))).toMatchObject({ step: 'done', why: ['tastes-good-twice'] })
})

test('sour: more into the cup first, and only then finer, back at the recipe’s yield', () => {
  expect(advise(by(14, sour))).toMatchObject({ step: 'nudge-yield', setting: 14, yieldG: 38 })
  const advice = advise(by(14, sour), by(14, sour, { yieldG: 38 }), by(14, sour, { yieldG: 40 }))
  expect(advice).toMatchObject({ step: 'move', yieldG: 36 })
  expect(advice.setting).toBeLessThan(14)
})

test('bitter goes the other way; between a sour and a bitter yield lies the middle', () => {
  expect(advise(by(14, bitter))).toMatchObject({ step: 'nudge-yield', yieldG: 34 })
  expect(advise(by(14, bitter), by(14, sour, { yieldG: 34 }))).toMatchObject({ yieldG: 35 })
})

test('sour and far too fast, or bitter and far too slow, no yield reaches: the grind moves at once', () => {
  const fast = advise(by(20, sour, { stopS: 15 }))
  expect(fast).toMatchObject({ step: 'move', yieldG: 36 })
  expect(fast.setting).toBeLessThan(20)
  const slow = advise(by(10, bitter, { stopS: 48 }))
  expect(slow.setting).toBeGreaterThan(10)
})

test('uneven: the puck first, the grinder stays', () => {
  expect(advise(by(14, both))).toMatchObject({ step: 'repeat', setting: 14, why: ['tastes-uneven'] })
})

test('a choke goes coarser, whatever nobody could taste of it', () => {
  const choked = grindShot(14, { stopS: 60 }, {}, { abandoned: 'choked', cup: null }, recipe)
  expect(advise(choked).setting).toBeGreaterThan(14)
})

test('neither sour nor fast leads it back to a setting that choked, or past it', () => {
  const choked = grindShot(12, { stopS: 60 }, {}, { abandoned: 'choked', cup: null }, recipe)
  for (const cup of [{}, { yieldG: 38 }, { yieldG: 40 }]) {
    expect(advise(choked, by(14, sour, cup)).setting).toBeGreaterThan(12)
  }
  const { setting } = advise(choked, by(14, sour), by(14, sour, { yieldG: 38 }), by(14, sour, { yieldG: 40 }))
  expect(setting).toBeGreaterThan(12)
  expect(setting).toBeLessThan(14)
})
