import { DROP_RECIPE, PUMP_RECIPE, carefulShot } from '../testing/examples.ts'
import { timeAtTarget, timeOnClock } from './timeAtTarget.ts'

test('on target, the time at target is the clock’s own', () => {
  expect(timeAtTarget(carefulShot({ stopS: 28 }), PUMP_RECIPE)).toEqual({
    kind: 'known',
    s: 28,
    clockS: 28,
    estimated: false,
  })
})

test('only the flowing part of the time is scaled to the target yield', () => {
  // 7 s to the first drop, then 21 s for 40 g: 36 g would have taken 18.9 s.
  const time = timeAtTarget(carefulShot({ firstDropS: 7, stopS: 28, cupG: 40 }), PUMP_RECIPE)
  expect(time).toMatchObject({ kind: 'known', clockS: 28 })
  expect(time).toHaveProperty('s', expect.closeTo(25.9, 5))
})

test('a drop recipe counts from the first drop', () => {
  expect(timeAtTarget(carefulShot({ firstDropS: 7, stopS: 30 }), DROP_RECIPE)).toMatchObject({
    kind: 'known',
    s: 23,
  })
})

test('without its own first drop a pump time is never held against a drop window', () => {
  expect(timeAtTarget(carefulShot({ firstDropS: null, stopS: 23 }), DROP_RECIPE)).toEqual({
    kind: 'unknown',
    why: 'first-drop-missed',
  })
})

test('but a shot that reached its target before a drop window could open was fast on any clock', () => {
  expect(timeAtTarget(carefulShot({ firstDropS: null, stopS: 15 }), DROP_RECIPE)).toEqual({
    kind: 'at-most',
    s: 15,
  })
})

test('an unmarked first drop makes a pump time an estimate', () => {
  expect(timeAtTarget(carefulShot({ firstDropS: null, cupG: 38 }), PUMP_RECIPE)).toMatchObject({
    kind: 'known',
    estimated: true,
  })
})

test.each([
  ['more than a quarter short', { stopS: 40, cupG: 26 }, { kind: 'at-least', s: 40 }],
  ['more than a quarter over', { stopS: 18, cupG: 46 }, { kind: 'at-most', s: 18 }],
])('%s leaves only a bound', (_name, pull, expected) => {
  expect(timeAtTarget(carefulShot(pull), PUMP_RECIPE)).toEqual(expected)
})

test.each([
  ['nothing timed', carefulShot({}, { clock: null }), 'not-timed'],
  ['no cup weighed', carefulShot({ cupG: null }), 'cup-not-weighed'],
  ['spilt', carefulShot({}, { abandoned: 'spilt' }), 'spilt'],
] as const)('%s: unknown, and it says why', (_name, facts, why) => {
  expect(timeAtTarget(facts, PUMP_RECIPE)).toEqual({ kind: 'unknown', why })
})

test('a choked shot says "longer than", a gushed one "shorter than"', () => {
  expect(timeAtTarget(carefulShot({ stopS: 60, cupG: 4 }, { abandoned: 'choked' }), PUMP_RECIPE)).toEqual({
    kind: 'at-least',
    s: 60,
  })
  expect(
    timeAtTarget(carefulShot({ firstDropS: 2, stopS: 8, cupG: null }, { abandoned: 'gushed' }), PUMP_RECIPE),
  ).toEqual({ kind: 'at-most', s: 8 })
})

test('stopped before any drop keeps its pump seconds', () => {
  const clock = { firstDrop: 'none', firstDropS: null, stopS: 40, estimated: false } as const
  expect(timeAtTarget(carefulShot({ cupG: null }, { clock }), DROP_RECIPE)).toEqual({
    kind: 'no-drop',
    pumpS: 40,
  })
  expect(timeOnClock(clock, 'drop')).toBeNull()
  expect(timeOnClock(clock, 'pump')).toBe(40)
})
