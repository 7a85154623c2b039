import { shippedStep } from '@calm-apron/core'
import { IDA } from '../../testing/device.ts'
import { SETUP, TEO } from '../../testing/house.ts'
import { watchedSteps } from './watchedSteps.ts'

const routine = (routineId: string, ...keys: Parameters<typeof shippedStep>[0][]) => ({
  routineId,
  name: routineId,
  isOrderEnforced: false,
  steps: [...keys.map(shippedStep), { ...shippedStep('tamp'), key: null, what: 'Ring the bell' }],
})
const routines = [routine('all', 'tamp', 'start'), routine('own', 'flush')]
const setup = {
  ...SETUP,
  routineId: 'all',
  seats: SETUP.seats.map((seat) => (seat.personId === TEO ? { ...seat, with: { routineId: 'own' } } : seat)),
}
const keysOf = (personId: string | null) => watchedSteps(routines, setup, personId).map(({ key }) => key)

test('whoever has a routine of their own is watched by that, everyone else by all’s; a house’s own steps are left out', () => {
  expect(keysOf(TEO)).toEqual(['flush'])
  expect(keysOf(IDA)).toEqual(['tamp', 'start'])
  expect(keysOf(null)).toEqual(['tamp', 'start'])
})

test('without a training, or its routine, there is nothing to watch by', () => {
  expect(watchedSteps(routines, null, TEO)).toEqual([])
  expect(watchedSteps([], setup, TEO)).toEqual([])
})
