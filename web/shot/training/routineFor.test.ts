import { shippedStep } from '@calm-apron/core'
import { routineFor } from './routineFor.ts'

const routine = (routineId: string, ...keys: Parameters<typeof shippedStep>[0][]) => ({
  routineId,
  name: routineId,
  isOrderEnforced: false,
  steps: keys.map(shippedStep),
})
const [lever, weighed] = [routine('lever', 'tamp', 'raise-lever'), routine('weighed', 'tamp', 'start')]

test('a lever gets the routine with a lever to raise, and no other machine does', () => {
  expect(routineFor([lever, weighed], { kind: 'lever' })).toBe('lever')
  expect(routineFor([lever, weighed], { kind: 'heat-exchange' })).toBe('weighed')
  expect(routineFor([lever, weighed], null)).toBe('weighed')
})

test('where none suits there is none', () => {
  expect(routineFor([lever], { kind: 'two-boiler' })).toBeNull()
  expect(routineFor([], { kind: 'lever' })).toBeNull()
})
