import { DROP_RECIPE, PUMP_RECIPE, carefulShot } from '../testing/examples.ts'
import { timeAtTarget, timeOnClock } from './timeAtTarget.ts'

test('on target, the time at target is the clock’s own', () => {
  expect(timeAtTarget(carefulShot({ stopS: 28 }), PUMP_RECIPE)).toEqual({
    kind: 'known',
    s: 28,
    clockS: 28,
    startS: 0,
    estimated: false,
    yieldBy: 'weight',
    yieldLnSd: 0,
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

test('without its own first drop a pump time is never held against a drop window: bounds are left', () => {
  expect(timeAtTarget(carefulShot({ firstDropS: null, stopS: 23 }), DROP_RECIPE)).toEqual({
    kind: 'between',
    fromS: 13,
    toS: 23,
    startS: 7.5,
    why: 'first-drop-missed',
  })
  // In a slow shot the first drop came late too.
  expect(timeAtTarget(carefulShot({ firstDropS: null, stopS: 70 }), DROP_RECIPE)).toMatchObject({
    fromS: 42,
    toS: 70,
  })
})

test('an unmarked first drop makes a pump time an estimate', () => {
  expect(timeAtTarget(carefulShot({ firstDropS: null, cupG: 38 }), PUMP_RECIPE)).toMatchObject({
    kind: 'known',
    estimated: true,
  })
})

test.each([
  ['more than a quarter short', { stopS: 40, cupG: 26 }, { kind: 'at-least', s: 40, startS: 0 }],
  ['more than half over', { stopS: 18, cupG: 55 }, { kind: 'at-most', s: 18, startS: 0 }],
])('%s leaves only a bound', (_name, pull, expected) => {
  expect(timeAtTarget(carefulShot(pull), PUMP_RECIPE)).toEqual(expected)
})

test.each([
  ['nothing timed', carefulShot({}, { clock: null }), 'not-timed'],
  ['spilt', carefulShot({}, { abandoned: 'spilt' }), 'spilt'],
] as const)('%s: unknown, and it says why', (_name, facts, why) => {
  expect(timeAtTarget(facts, PUMP_RECIPE)).toEqual({ kind: 'unknown', why })
})

test('a cup that overshot passed its target on the way, so that its time is known', () => {
  expect(timeAtTarget(carefulShot({ firstDropS: 7, stopS: 28, cupG: 48 }), PUMP_RECIPE)).toMatchObject({
    kind: 'known',
    s: 7 + 21 * 0.75,
  })
})

test('a cup that nobody weighed leaves bounds on both sides', () => {
  expect(timeAtTarget(carefulShot({ stopS: 40, cupG: null }), PUMP_RECIPE)).toEqual({
    kind: 'between',
    // 7 s to the first drop, and 33 s that may be longer or shorter by a quarter.
    fromS: expect.closeTo(33.4, 5),
    toS: 48.25,
    startS: 0,
    why: 'cup-not-weighed',
  })
})

test('a choked shot says "longer than", a gushed one "shorter than"', () => {
  expect(timeAtTarget(carefulShot({ stopS: 60, cupG: 4 }, { abandoned: 'choked' }), PUMP_RECIPE)).toEqual({
    kind: 'at-least',
    s: 60,
    startS: 0,
  })
  expect(
    timeAtTarget(carefulShot({ firstDropS: 2, stopS: 8, cupG: null }, { abandoned: 'gushed' }), PUMP_RECIPE),
  ).toEqual({ kind: 'at-most', s: 8, startS: 0 })
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
