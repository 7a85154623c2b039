import { readShot } from '../reading/readShot.ts'
import { PUMP_RECIPE, carefulShot } from '../testing/examples.ts'
import { type AlikeShot, alikeRun, lastRangeS } from './alike.ts'

const at = (minute: number) => new Date(Date.UTC(2026, 10, 26, 9, minute)).toISOString()
const shot = (minute: number, stopS: number, also: Partial<AlikeShot> = {}, doseG = 18): AlikeShot => ({
  shotId: String(minute),
  pulledAt: at(minute),
  isHelped: false,
  lock: 'a',
  readings: readShot(carefulShot({ stopS, doseG }), PUMP_RECIPE),
  ...also,
})
const standings = (shots: AlikeShot[], others: Parameters<typeof alikeRun>[1] = []) =>
  alikeRun(shots, others).map(({ standing }) => standing)

test('five within three seconds are alike; one that is not stands out, whichever way', () => {
  const five = [28, 29, 27.5, 28.5, 28].map((s, n) => shot(n * 4, s))
  expect(standings(five)).toEqual(['on', 'on', 'on'])
  expect(lastRangeS(five)).toBeCloseTo(1.5)
  expect(alikeRun([...five, shot(24, 33)], []).at(-1)).toMatchObject({ standing: 'off' })
  expect(alikeRun([...five, shot(24, 26)], []).at(-1)).toMatchObject({ standing: 'near' })
})

test('another dose is not alike, even where the time is', () => {
  const [last] = alikeRun([shot(0, 28), shot(4, 28), shot(8, 28, {}, 18.5)], []).slice(-1)
  expect(last).toMatchObject({ standing: 'near', deviation: expect.closeTo(0.5 / 0.3) })
})

test('only shots at the same setting in the same session are held together', () => {
  const before = [shot(0, 28), shot(4, 28)]
  expect(standings([...before, shot(8, 20, { lock: 'b' })])).toEqual([])
  expect(standings([...before, shot(8, 20, { lock: null })])).toEqual([])
  expect(standings([...before, shot(8 + 5 * 60, 20)])).toEqual([])
  expect(lastRangeS([...before, shot(8, 20, { lock: 'b' })])).toBeNull()
})

test('what the bar drifts, by others’ shots, is nobody’s: ten minutes on it runs two seconds longer', () => {
  const mine = [shot(0, 26), shot(10, 28), shot(20, 30), shot(30, 32)]
  expect(standings(mine)).toEqual(['near', 'off'])
  const others = [0, 10, 20, 30].map((minute) => ({
    pulledAt: at(minute),
    lock: 'a',
    timeS: 25 + minute / 5,
  }))
  expect(standings(mine, others)).toEqual(['on', 'on'])
  // Too few, or over too short a while, they say nothing.
  expect(standings(mine, others.slice(0, 3))).toEqual(['near', 'off'])
})
