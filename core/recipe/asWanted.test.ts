import { readShot } from '../reading/readShot.ts'
import type { ShotWanted } from '../shot/facts.ts'
import { PUMP_RECIPE, carefulShot, taste } from '../testing/examples.ts'
import { asWanted } from './asWanted.ts'

test('what dialling in moved is what a shot is held against; the window stays', () => {
  const facts = carefulShot({ doseG: 18.3, stopS: 28, cupG: 38 }, { wanted: { doseG: 18.3, yieldG: 38 } })
  const { dose, yield: cup, time, gate, of } = readShot(facts, PUMP_RECIPE)
  expect(dose).toMatchObject({ standing: 'on', target: 18.3 })
  expect(cup).toMatchObject({ standing: 'on', target: 38 })
  expect(time).toMatchObject({ standing: 'on', value: 28 })
  expect(gate.passed).toBe(true)
  expect(of.recipe).toEqual({ ...PUMP_RECIPE, doseG: 18.3, yieldG: 38 })
})

test('a yield by volume moves along', () => {
  const volume = { targetMl: 48, toleranceMl: 4, gPerMl: 0.75, gPerMlSd: 0.1 }
  const recipe = { ...PUMP_RECIPE, school: { onlyRecorded: [], volume, tampForce: null } }
  expect(asWanted(recipe, { doseG: null, yieldG: 39 }).school.volume.targetMl).toBe(52)
})

test('what two trainers tasted at the lock is what a cup is held against', () => {
  const lively = { sour: 6, sweet: 6, bitter: 2 }
  const facts = (wanted?: ShotWanted) => carefulShot({}, { taste: taste(6, 6, 2), ...(wanted && { wanted }) })
  const standing = (wanted?: ShotWanted) => {
    const reading = readShot(facts(wanted), { ...PUMP_RECIPE, sweetMin: 7 }).taste
    return reading.judged && reading.standing
  }
  expect(standing()).not.toBe('on')
  expect(standing({ doseG: null, yieldG: null, taste: lively })).toBe('on')
})

test('as the recipe says it is the recipe itself', () => {
  expect(asWanted(PUMP_RECIPE, null)).toBe(PUMP_RECIPE)
  expect(asWanted(PUMP_RECIPE, { doseG: null, yieldG: null })).toBe(PUMP_RECIPE)
})
