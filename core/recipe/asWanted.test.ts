import { readShot } from '../reading/readShot.ts'
import { PUMP_RECIPE, carefulShot } from '../testing/examples.ts'
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

test('as the recipe says it is the recipe itself', () => {
  expect(asWanted(PUMP_RECIPE, null)).toBe(PUMP_RECIPE)
  expect(asWanted(PUMP_RECIPE, { doseG: null, yieldG: null })).toBe(PUMP_RECIPE)
})
