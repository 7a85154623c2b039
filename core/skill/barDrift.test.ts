import { readShot } from '../reading/readShot.ts'
import { PUMP_RECIPE, carefulShot } from '../testing/examples.ts'
import { type DayShot, barDrifts } from './barDrift.ts'

const shot = (no: number, personId: string, stopS: number, grinderId = 'quay'): DayShot => ({
  personId,
  pulledAt: new Date(Date.UTC(2026, 10, 26, 9, 4 * no)).toISOString(),
  grinderId,
  recipeRevisionId: 'house',
  time: readShot(carefulShot({ stopS }), PUMP_RECIPE).time,
})
const fast = (no: number, personId: string, grinderId?: string) => shot(no, personId, 19, grinderId)

test('five running of two people, all fast, are the bar’s, since the first of them', () => {
  const day = [
    shot(0, 'a', 28),
    shot(1, 'b', 28),
    ...[2, 3, 4, 5, 6].map((no) => fast(no, no % 2 ? 'a' : 'b')),
  ]
  expect(barDrifts(day)).toEqual([
    {
      grinderId: 'quay',
      recipeRevisionId: 'house',
      direction: 'fast',
      since: day[2]?.pulledAt,
      shots: 5,
      people: 2,
    },
  ])
  // One in its window, and nothing of the kind is so any more.
  expect(barDrifts([...day, shot(7, 'a', 28)])).toEqual([])
})

test('one pair of hands, too few shots, two sides or two grinders are not the bar', () => {
  const five = [0, 1, 2, 3, 4]
  expect(barDrifts(five.map((no) => fast(no, 'a')))).toEqual([])
  expect(barDrifts(five.slice(1).map((no) => fast(no, no % 2 ? 'a' : 'b')))).toEqual([])
  expect(barDrifts(five.map((no) => shot(no, no % 2 ? 'a' : 'b', no === 2 ? 40 : 19)))).toEqual([])
  expect(barDrifts(five.map((no) => fast(no, no % 2 ? 'a' : 'b', no < 3 ? 'quay' : 'loft')))).toEqual([])
  expect(barDrifts([])).toEqual([])
})
