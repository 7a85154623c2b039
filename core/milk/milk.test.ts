import { type MilkFacts, assessMilk, steamOffC } from './assessMilk.ts'
import { drinkRatios } from './drinkRatios.ts'

const GOOD: MilkFacts = {
  purgedBefore: true,
  filledRight: true,
  finalTemperatureC: 60,
  texture: 'glossy',
  wipedAndPurgedAfter: true,
  pouredWell: true,
}

test('a good jug is on everywhere', () => {
  expect(new Set(Object.values(assessMilk(GOOD)))).toEqual(new Set(['on']))
})

test.each([
  [45, 'off'],
  [52, 'near'],
  [55, 'on'],
  [65, 'on'],
  [68, 'near'],
  [70, 'near'],
  [71, 'off'],
])('milk of %d °C is %s', (finalTemperatureC, standing) => {
  expect(assessMilk({ ...GOOD, finalTemperatureC }).temperature).toBe(standing)
})

test('what nobody looked at is not judged', () => {
  expect(assessMilk({ ...GOOD, texture: null, purgedBefore: null })).toMatchObject({
    texture: null,
    'purged-before': null,
  })
})

test('steam is closed a few degrees early, since milk climbs on', () => {
  expect(steamOffC(62)).toBe(58)
})

test('a drink’s parts fill its cup', () => {
  const amounts = drinkRatios({ coffee: 1, milk: 2, water: 0, foam: 1 }, 160)
  expect(amounts).toEqual({ coffeeMl: 40, milkMl: 80, waterMl: 0, foamMl: 40 })
})
