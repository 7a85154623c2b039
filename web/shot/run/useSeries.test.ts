import { ODALYS, doorsWith, freshDevice, freshPage, sessionOf, settled } from '../../testing/device.ts'
import { useSeries } from './useSeries.ts'

const SHOT = '019a5c00-0000-700a-8000-000000000001'

beforeEach(async () => {
  await freshDevice({ 'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS) })
})

test('samples stand in the order of their own times, however late one arrives', () => {
  const series = useSeries(SHOT)
  for (const [timeS, weightG] of [
    [1, 1],
    [3, 5],
    [2, 3],
  ] as const)
    series.add('weight', { timeS, weightG })
  expect(series.weights.value.map(({ timeS }) => timeS)).toEqual([1, 2, 3])
})

test('the same instant twice is one sample, and what no stream can weigh is left out', () => {
  const series = useSeries(SHOT)
  expect(series.add('weight', { timeS: 1, weightG: 1 })).toBe(true)
  expect(series.add('weight', { timeS: 1, weightG: 1.1 })).toBe(false)
  expect(series.add('weight', { timeS: 1.1, weightG: 400 })).toBe(false)
  expect(series.weights.value).toEqual([{ timeS: 1, weightG: 1 }])
})

test('a pressure may leap: it is no stream', () => {
  const series = useSeries(SHOT)
  expect(series.add('pressure', { timeS: 1, weightG: 0 })).toBe(true)
  expect(series.add('pressure', { timeS: 1.1, weightG: 9 })).toBe(true)
})

test('what was seen is there again after the page was loaded anew', async () => {
  const series = useSeries(SHOT)
  for (let tenth = 1; tenth <= 20; tenth += 1)
    series.add('weight', { timeS: tenth / 10, weightG: tenth / 10 })
  await series.keep()
  await settled()
  freshPage()
  const again = useSeries(SHOT)
  await again.restore()
  expect(again.weights.value).toEqual(series.weights.value)
})

test('what comes in before what was kept is back stands after it, and is not kept over it', async () => {
  const series = useSeries(SHOT)
  series.add('weight', { timeS: 1, weightG: 1 })
  await series.keep()
  const again = useSeries(SHOT)
  for (const timeS of [9, 9.1]) again.add('weight', { timeS, weightG: 20 })
  await again.keep()
  const third = useSeries(SHOT)
  await third.restore()
  expect(third.weights.value).toEqual([
    { timeS: 1, weightG: 1 },
    { timeS: 9, weightG: 20 },
    { timeS: 9.1, weightG: 20 },
  ])
})

test('a shot without sensors is recorded without a series; one that is begun anew has none left', async () => {
  const series = useSeries(SHOT)
  expect(series.packed()).toBeNull()
  series.add('weight', { timeS: 1, weightG: 1 })
  expect(series.packed()).toEqual({ weight: expect.any(String), pressure: null })
  series.clear()
  await settled()
  expect(series.packed()).toBeNull()
})
