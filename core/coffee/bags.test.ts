import { FRESHNESS_WINDOWS, bagLife, coffeeAge, dateAfter, daysBetween } from './age.ts'
import {
  type BagState,
  bagToOpen,
  costPerShot,
  gramsLeft,
  orderAdvice,
  pricePerKg,
  shotsLeft,
} from './bags.ts'

const TODAY = '2026-11-26'
const WINDOW = FRESHNESS_WINDOWS.usual
let next = 0
const bag = (daysOld: number | null, rest: Partial<BagState> = {}): BagState => ({
  bagId: `bag ${(next += 1)}`,
  roastedOn: daysOld === null ? null : dateAfter(TODAY, -daysOld),
  openedOn: null,
  keptIn: 'sealed',
  frozen: null,
  gramsLeft: 1000,
  ...rest,
})

describe('a bag’s life', () => {
  test('has its dates', () => {
    expect(bagLife('2026-11-21', TODAY, WINDOW)).toEqual({
      restedOn: '2026-11-26',
      bestUntil: '2026-12-12',
      usableUntil: '2026-12-26',
    })
  })

  test('stands still in the freezer, and goes on after it', () => {
    const still = { frozenOn: '2026-11-10', thawedOn: null }
    const back = { frozenOn: '2026-11-10', thawedOn: '2026-11-20' }
    expect(coffeeAge('2026-11-01', TODAY, WINDOW, still).days).toBe(9)
    expect(coffeeAge('2026-11-01', TODAY, WINDOW, back).days).toBe(15)
    expect(bagLife('2026-11-01', TODAY, WINDOW, back).bestUntil).toBe('2026-12-02')
    expect(coffeeAge('2026-11-01', '2026-11-05', WINDOW, still).days).toBe(4)
  })

  test('counts calendar days over a change of clocks and a leap day', () => {
    expect(daysBetween('2026-10-24', '2026-10-26')).toBe(2)
    expect(daysBetween('2028-02-28', '2028-03-01')).toBe(2)
    expect(dateAfter('2028-02-28', 1)).toBe('2028-02-29')
  })
})

describe('the bag to open next', () => {
  test('is in its window, and the first to leave it', () => {
    const [young, old] = [bag(8), bag(15)]
    expect(bagToOpen([bag(2), young, old, bag(30)], TODAY, WINDOW)).toBe(old)
  })

  test('is a fading one before one that is too fresh, and that before one past its time', () => {
    const [fading, fresh, past] = [bag(25), bag(1), bag(60)]
    expect(bagToOpen([past, fresh, fading], TODAY, WINDOW)).toBe(fading)
    expect(bagToOpen([past, fresh], TODAY, WINDOW)).toBe(fresh)
    expect(bagToOpen([past, bag(null)], TODAY, WINDOW)).toBe(past)
  })

  test('is none that is open, empty or frozen while another is there', () => {
    const there = bag(9)
    const others = [bag(12, { openedOn: TODAY }), bag(14, { gramsLeft: 0 }), bag(15, { keptIn: 'freezer' })]
    expect(bagToOpen([...others, there], TODAY, WINDOW)).toBe(there)
    expect(bagToOpen([bag(12, { openedOn: TODAY })], TODAY, WINDOW)).toBeNull()
  })
})

test('what is left never goes below nothing, and holds whole shots', () => {
  expect(gramsLeft(1000, 204.6)).toBeCloseTo(795.4)
  expect(gramsLeft(10, 30)).toBe(0)
  expect([shotsLeft(54, 18), shotsLeft(53.9, 18), shotsLeft(100, 0)]).toEqual([3, 2, 0])
})

test('a shot costs its share of the bag; nothing is made of an unknown price', () => {
  expect(costPerShot(27, 1000, 18)).toBeCloseTo(0.486)
  expect([costPerShot(null, 1000, 18), costPerShot(27, null, 18)]).toEqual([null, null])
  expect([pricePerKg(9, 250), pricePerKg(null, 250)]).toEqual([36, null])
})

test('an order is due once the stock lasts no longer than a new bag needs to arrive and rest', () => {
  expect(orderAdvice(900, 100, 4, WINDOW)).toEqual({ isDue: true, daysLeft: 9, leadDays: 9 })
  expect(orderAdvice(910, 100, 4, WINDOW).isDue).toBe(false)
  expect(orderAdvice(10, 0, 4, WINDOW)).toMatchObject({ isDue: false, daysLeft: null })
})
