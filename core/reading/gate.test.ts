import { PUMP_RECIPE, carefulShot } from '../testing/examples.ts'
import { noNotes } from '../shot/notes.ts'
import type { ShotFacts } from '../shot/facts.ts'
import { NO_CONTEXT } from './context.ts'
import { readShot } from './readShot.ts'

const CAREFUL = carefulShot()
const gate = (facts: Partial<ShotFacts>, context = NO_CONTEXT) =>
  readShot({ ...CAREFUL, ...facts }, PUMP_RECIPE, context).gate
const noted = (notes: Partial<ShotFacts['noted'] & object>) => ({ noted: { ...noNotes(), ...notes } })

test('clumps are an uneven bed; that none were seen says nothing of the rest of it', () => {
  expect(gate({ bedEven: null, ...noted({ clumps: true }) }).faults).toEqual(['bed-uneven'])
  expect(gate({ bedEven: null, ...noted({ clumps: false }) }).unknowns).toEqual(['bed'])
})

test('a pressed bed that was topped up is only partial evidence of the grind', () => {
  expect(gate(noted({ lowDose: 'top-up' })).faults).toEqual(['dose-topped-up'])
  expect(gate(noted({ lowDose: 'discard' })).passed).toBe(true)
})

test('what was spilt after the scale is not in the basket: the dose is not known', () => {
  expect(gate(noted({ spilt: true }))).toMatchObject({ passed: true, unknowns: ['dose'] })
  expect(gate(noted({ spilt: true })).done).not.toContain('dose')
})

test('another basket in the group than the recipe’s is a fault, unless somebody looked and says it is right', () => {
  const other = { ...NO_CONTEXT, isRecipesBasket: false }
  expect(gate({ rightBasket: null }, other).faults).toEqual(['wrong-basket'])
  expect(gate({ rightBasket: true }, other).passed).toBe(true)
  expect(gate({ rightBasket: null }, { ...NO_CONTEXT, isRecipesBasket: true }).unknowns).toEqual([
    'basket-size',
  ])
})

test('water measured too cool is a cold machine, unless somebody touched it and says it is hot', () => {
  expect(gate({ machineHot: null, ...noted({ waterC: 84 }) }).faults).toEqual(['machine-cold'])
  expect(gate({ machineHot: true, ...noted({ waterC: 84 }) }).passed).toBe(true)
  expect(gate({ machineHot: null, ...noted({ waterC: 92 }) }).done).toContain('machine')
})
