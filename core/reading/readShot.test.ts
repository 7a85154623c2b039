import { noNotes } from '../shot/notes.ts'
import fc from 'fast-check'
import type { ShotFacts } from '../shot/facts.ts'
import { anyShot } from '../testing/anyShot.ts'
import { DROP_RECIPE, PUMP_RECIPE, carefulShot, taste } from '../testing/examples.ts'
import { standingOf } from './measure.ts'
import { readShot } from './readShot.ts'

const read = (facts: ShotFacts) => readShot(facts, PUMP_RECIPE)

test.each([
  [0, 'on'],
  [0.3, 'on'],
  [-0.3, 'on'],
  [18.3 - 18, 'on'],
  [0.31, 'near'],
  [-0.6, 'near'],
  [0.61, 'off'],
])('a deviation of %d at a tolerance of 0.3 is %s', (deviation, standing) => {
  expect(standingOf(deviation, 0.3)).toBe(standing)
})

test('a careful shot on target is on everywhere, its taste not judged', () => {
  const { dose, tamp, yield: cup, time, taste: tasted, gate, flow } = read(carefulShot())
  expect([dose, tamp, cup, time].map((reading) => reading.judged && reading.standing)).toEqual([
    'on',
    'on',
    'on',
    'on',
  ])
  expect(tasted).toEqual({ judged: false, why: 'not-tasted' })
  expect(gate).toMatchObject({ passed: true, faults: [], unknowns: [] })
  expect(flow.state).toBe('on')
})

test('deviations carry their sign and size', () => {
  const { dose, yield: cup } = read(carefulShot({ doseG: 18.6, cupG: 33 }))
  expect(dose).toMatchObject({ standing: 'near', direction: 'over', deviation: expect.closeTo(0.6, 5) })
  expect(cup).toMatchObject({ standing: 'near', direction: 'under', deviation: -3 })
})

test.each([
  [{ stopS: 28 }, 'on'],
  [{ stopS: 21 }, 'fast'],
  [{ stopS: 12 }, 'gushing'],
  [{ stopS: 36 }, 'slow'],
  [{ stopS: 63 }, 'choking'],
  [{ firstDropS: 20, stopS: 60, cupG: 4 }, 'choking'],
  [{ stopS: 40, cupG: 25 }, 'slow'],
  [{ stopS: 20, cupG: 20 }, 'unknown'],
  [{ cupG: null }, 'unknown'],
])('%j flows %s', (pull, state) => {
  expect(read(carefulShot(pull)).flow.state).toBe(state)
})

test('pumped well past the latest usual first drop without one: choking, on either clock', () => {
  const facts = carefulShot(
    { cupG: null },
    { clock: { firstDrop: 'none', firstDropS: null, stopS: 25, estimated: false } },
  )
  expect(readShot(facts, PUMP_RECIPE).flow.state).toBe('choking')
  expect(readShot(facts, DROP_RECIPE).flow.state).toBe('choking')
})

test.each([
  [taste(4, 6, 3), 'on', -1],
  [taste(6, 6, 3), 'near', -3],
  [taste(1, 6, 7), 'off', 6],
  [taste(3, 3, 3), 'near', 0],
  [taste(7, 5, 7), 'off', 0],
])('a cup of %j tastes %s', (cup, standing, value) => {
  expect(read(carefulShot({}, { taste: cup })).taste).toMatchObject({ standing, value })
})

test.each([
  ['tamp', { tamp: { tilt: 'clear', lowSide: 'left', settled: true } }, 'tamp-tilted'],
  ['heat', { machineHot: false }, 'machine-cold'],
  ['purge', { grinderPurged: false }, 'grinder-not-purged'],
  ['bed', { bedEven: false }, 'bed-uneven'],
  ['basket', { basketDry: false }, 'basket-wet'],
  ['settling', { tamp: { tilt: 'level', lowSide: null, settled: false } }, 'tamp-unsettled'],
] satisfies [string, Partial<ShotFacts>, string][])('a fault of %s fails the gate', (_name, also, fault) => {
  expect(read(carefulShot({}, also)).gate).toMatchObject({
    passed: false,
    faults: [fault],
    unknowns: [],
  })
})

test('what nobody looked at is unknown, not a fault and not fine', () => {
  const { gate } = read(carefulShot({}, { machineHot: null, dose: null }))
  expect(gate).toMatchObject({ passed: true, faults: [], unknowns: ['machine', 'dose'] })
})

test('any shot at all can be read: nothing throws, nothing is NaN', () => {
  fc.assert(
    fc.property(anyShot, fc.constantFrom(PUMP_RECIPE, DROP_RECIPE), (facts, recipe) => {
      const readings = readShot(facts, recipe)
      expect(JSON.stringify(readings)).not.toMatch(/NaN/)
      for (const reading of [readings.dose, readings.yield, readings.time, readings.taste]) {
        if (reading.judged) expect(Number.isFinite(reading.deviation)).toBe(true)
      }
      expect(Number.isNaN(readings.flow.missLn)).toBe(false)
    }),
  )
})

test('a longer shot never reads faster', () => {
  const order = ['gushing', 'fast', 'on', 'slow', 'choking']
  fc.assert(
    fc.property(fc.integer({ min: 70, max: 900 }), fc.integer({ min: 0, max: 300 }), (tenths, more) => {
      const place = (stopS: number) => order.indexOf(read(carefulShot({ stopS })).flow.state)
      expect(place((tenths + more) / 10)).toBeGreaterThanOrEqual(place(tenths / 10))
    }),
  )
})

test('two cups that differ by a sixth of a cup are an uneven shot; nearer ones are not', () => {
  const uneven = (cupsG: [number, number]) =>
    readShot({ ...carefulShot(), noted: { ...noNotes(), cupsG } }, PUMP_RECIPE).unevenSigns
  expect(uneven([20, 16])).toEqual(['cups-apart'])
  expect(uneven([18.5, 17.5])).toEqual([])
})
