import { noNotes } from './notes.ts'
import type { ShotNotes } from './notes.ts'
import { DROP_RECIPE, PUMP_RECIPE, carefulShot } from '../testing/index.ts'
import { readShot } from '../reading/readShot.ts'
import { NO_CONTEXT } from '../reading/context.ts'
import { diagnose } from '../diagnosis/diagnose.ts'
import { timeAtTarget } from './timeAtTarget.ts'
import { programmeOff, usualYield } from './usualYield.ts'
import { yieldSeen, yieldShare } from './yieldShare.ts'

const NO_GRIND = { setting: 14, grinder: null }
const unweighed = (noted: Partial<ShotNotes>, stopS = 28) =>
  carefulShot({ cupG: null, stopS }, { noted: { ...noNotes(), ...noted } })

test('a programme is known from three cups on, whatever one botched cup held', () => {
  expect(usualYield([36, 37])).toBeNull()
  expect(usualYield([36, 37, 36.5, 12, 36.8])).toEqual({ g: 36.5, sdG: 1.095 })
  expect(usualYield([30, 40, 35])?.sdG).toBeCloseTo(7.4, 1)
  expect([19, 36, 55].map((cupG) => programmeOff(cupG, 36))).toEqual(['short', null, 'long'])
})

test('without a weight the time is judged at what the programme usually gives, and said so; the yield itself is not judged', () => {
  const facts = unweighed({ usualCupG: 36, usualCupSdG: 1.8 })
  expect(timeAtTarget(facts, PUMP_RECIPE)).toMatchObject({
    kind: 'known',
    s: 28,
    yieldBy: 'usual',
    yieldLnSd: 0.05,
  })
  const readings = readShot(facts, PUMP_RECIPE)
  expect(readings.time).toMatchObject({ judged: true, standing: 'on', yieldBy: 'usual' })
  expect(readings.yield).toEqual({ judged: false, why: 'not-weighed' })
  expect(yieldSeen(facts, PUMP_RECIPE)).toBeNull()
  // It says that time was right, and never that the cup was.
  expect(
    diagnose(readShot(unweighed({ usualCupG: 36, usualCupSdG: 1.8 }, 17), PUMP_RECIPE), NO_GRIND).move,
  ).toMatchObject({
    lever: 'grind',
    direction: 'finer',
  })
  // A weight goes before what is usual.
  const weighed = { ...facts, cup: { by: 'net' as const, netG: 30 } }
  expect(yieldShare(weighed, PUMP_RECIPE)).toMatchObject({ by: 'weight' })
})

test('a glass’s line stands for the target: at it a cup is on, off it short or over', () => {
  const read = (cupLine: 'below' | 'at' | 'above') => readShot(unweighed({ cupLine }), PUMP_RECIPE)
  expect(read('at').yield).toMatchObject({ standing: 'on', seen: 'at', direction: 'at' })
  expect(read('below').yield).toMatchObject({ direction: 'under', seen: 'below' })
  expect(read('above').yield).toMatchObject({ direction: 'over', seen: 'above' })
  expect(read('at').time).toMatchObject({ judged: true, yieldBy: 'line' })
  expect(read('at').missing).not.toBe('cup')
})

test('timed from the first drop alone, a drop clock is judged, and its first drop says nothing', () => {
  const readings = readShot(carefulShot({ firstDropS: 0, stopS: 16, cupG: 36 }), DROP_RECIPE)
  expect(readings.time).toMatchObject({ judged: true, clockS: 16, direction: 'under' })
  const { evidence, move } = diagnose(readings, NO_GRIND)
  expect(evidence.map(({ key }) => key)).not.toContain('first-drop')
  expect(move).toMatchObject({ lever: 'grind', direction: 'finer' })
})

test('a first drop that was taken for granted says nothing either; one that was seen does', () => {
  const keysOf = (estimated: boolean) => {
    const clock = { firstDrop: 'marked', firstDropS: 7.5, stopS: 24, estimated } as const
    const readings = readShot(carefulShot({}, { clock }), DROP_RECIPE)
    return diagnose(readings, NO_GRIND).evidence.map(({ key }) => key)
  }
  expect([keysOf(false).includes('first-drop'), keysOf(true).includes('first-drop')]).toEqual([true, false])
  expect(keysOf(true)).toContain('time')
})

test('of a machine that stops by itself nobody is told to stop otherwise: its programme or basket is another', () => {
  const machine = { isLever: false, hasReleaseValve: true, stopsItself: true }
  // The flow was right: 14 s at 1.7 g/s into a cup half as full.
  const facts = carefulShot({ stopS: 28, cupG: 41 }, { rightBasket: null })
  const byHand = diagnose(readShot(facts, PUMP_RECIPE), NO_GRIND)
  const byItself = diagnose(readShot(facts, PUMP_RECIPE, { ...NO_CONTEXT, machine }), NO_GRIND)
  expect(byHand.move).toMatchObject({ lever: 'stop', direction: 'sooner' })
  expect(byItself.move.lever).not.toBe('stop')
  expect(byItself.named.causes).toContain('wrong-basket')
})
