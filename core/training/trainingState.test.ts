import fc from 'fast-check'
import { nextSeat } from './nextSeat.ts'
import {
  type TrainingEvent,
  type TrainingHappening,
  type TrainingSetup,
  trainingState,
} from './trainingState.ts'

const setup: TrainingSetup = {
  barId: 'bar',
  purpose: 'practice',
  recipeRevisionId: 'recipe',
  routineId: null,
  grinderId: 'grinder',
  bagId: 'bag',
  grindOwner: 'trainer',
  seats: [{ personId: 'a', machineId: 'm', groupNo: 0 }],
}
const lock = {
  grinderId: 'grinder',
  bagId: 'bag',
  recipeRevisionId: 'recipe',
  setting: 14,
  doseG: 18,
  basketId: null,
  innerBurrAt: null,
  shots: 4,
  grams: 90,
  money: 2.1,
}
const story = (...happenings: TrainingHappening[]): TrainingEvent[] =>
  happenings.map((happening, at) => ({
    eventId: `e${at}`,
    by: 'trainer',
    at: `2026-11-26T09:${String(at).padStart(2, '0')}:00.000Z`,
    happening,
  }))
const started: TrainingHappening = { kind: 'started', setup }
const locked: TrainingHappening = { kind: 'locked', lock }

test('before it was started there is none, and it is started once', () => {
  expect(trainingState(story({ kind: 'break-began' }))).toBeNull()
  const twice = trainingState(story(started, { kind: 'started', setup: { ...setup, bagId: 'other' } }))
  expect(twice?.setup.bagId).toBe('bag')
})

test('in whatever order it arrived, it stands the same', () => {
  const events = story(
    started,
    locked,
    { kind: 'break-began' },
    { kind: 'break-ended' },
    { kind: 'unlocked', why: 'bag' },
    locked,
  )
  const expected = trainingState(events)
  fc.assert(
    fc.property(fc.shuffledSubarray(events, { minLength: events.length }), (shuffled) => {
      expect(trainingState(shuffled)).toEqual(expected)
    }),
  )
})

test('a break asks for a look at the grind, once; locked anew it is forgotten', () => {
  const rest: TrainingHappening[] = [{ kind: 'break-began' }, { kind: 'break-ended' }]
  const after = trainingState(story(started, locked, ...rest, ...rest))
  expect(after?.lock?.recheck).toEqual(['break'])
  expect(after?.breaks).toHaveLength(2)
  expect(trainingState(story(started, locked, ...rest, locked))?.lock?.recheck).toEqual([])
})

test('another bag asks for a look; another recipe or grinder has a setting of its own', () => {
  const changed = (part: Partial<TrainingSetup>) =>
    trainingState(story(started, locked, { kind: 'changed', setup: { ...setup, ...part } }))?.lock
  expect(changed({ bagId: 'next' })?.recheck).toEqual(['bag'])
  expect(changed({ recipeRevisionId: 'other' })).toBeNull()
  expect(changed({ grinderId: 'other' })).toBeNull()
  expect(changed({ seats: [] })?.recheck).toEqual([])
})

test('its end keeps how the bench was left, by whom and when, and ends a break', () => {
  const left = { rinsed: true, wiped: false, handleBack: true }
  const over = trainingState(story(started, { kind: 'break-began' }, { kind: 'ended', left }))
  expect(over).toMatchObject({ onBreakSince: null, ended: { ...left, by: 'trainer' } })
})

test('whoever pulled least is next, in the order in which they sit', () => {
  const seats = ['a', 'b', 'c'].map((personId) => ({ personId, machineId: null, groupNo: 0 }))
  expect(nextSeat(seats, new Map())?.personId).toBe('a')
  expect(nextSeat(seats, new Map([['a', 1]]))?.personId).toBe('b')
  expect(
    nextSeat(
      seats,
      new Map([
        ['a', 1],
        ['b', 1],
        ['c', 1],
      ]),
    )?.personId,
  ).toBe('a')
  expect(nextSeat([], new Map())).toBeNull()
})
