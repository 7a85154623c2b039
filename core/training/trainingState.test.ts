import fc from 'fast-check'
import { nextSeat } from './nextSeat.ts'
import {
  type TrainingEvent,
  type TrainingHappening,
  type TrainingSetup,
  canReopen,
  hasSeat,
  isTrainingOver,
  mayDialIn,
  pulledAt,
  recipesAt,
  trainingState,
} from './trainingState.ts'
import { trainingOrder } from './trainingOrder.ts'

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

test('a seat pulls with what is its own, else with what the training does', () => {
  const own = {
    personId: 'p',
    machineId: null,
    groupNo: 0,
    with: { recipeRevisionId: 'single', routineId: null },
  }
  const both = { ...setup, alsoRecipeRevisionIds: ['single', 'long'] }
  expect(pulledAt(setup, {})).toEqual({
    recipeRevisionId: setup.recipeRevisionId,
    grinderId: setup.grinderId,
    routineId: setup.routineId,
  })
  expect(pulledAt(setup, own)).toMatchObject({
    recipeRevisionId: 'single',
    routineId: null,
    grinderId: setup.grinderId,
  })
  expect(recipesAt(setup, {})).toEqual([setup.recipeRevisionId])
  expect(recipesAt(both, own)).toEqual(['single', setup.recipeRevisionId, 'long'])
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

describe('with clocks that are not right', () => {
  const at = (minute: number) => `2026-11-26T09:${String(minute).padStart(2, '0')}:00.000Z`
  const event = (eventId: string, minute: number, after: string | null, happening: TrainingHappening) => ({
    ...{ eventId, by: 'trainer', after },
    at: at(minute),
    happening,
  })
  const changed = (bagId: string): TrainingHappening => ({ kind: 'changed', setup: { ...setup, bagId } })
  // The first tablet's clock is ten minutes fast, the second's is right, the third's ten minutes slow.
  const events: TrainingEvent[] = [
    event('a', 10, null, started),
    event('b', 13, 'a', changed('first')),
    event('c', 4, 'b', changed('second')),
    event('d', 0, 'c', changed('third')),
  ]

  test('nothing comes before what it answers, in whatever order it arrived', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(events, { minLength: events.length }), (shuffled) => {
        expect(trainingOrder(shuffled).map(({ eventId }) => eventId)).toEqual(['a', 'b', 'c', 'd'])
        expect(trainingState(shuffled)?.setup.bagId).toBe('third')
      }),
    )
  })

  test('those that tell nothing of what they had seen stand by their time, then by their id', () => {
    const old = ['z', 'y'].map((eventId, no) => ({ eventId, at: at(9 - no) }))
    const twins = ['n', 'm'].map((eventId) => ({ eventId, at: at(20) }))
    expect(trainingOrder([...twins, ...old]).map(({ eventId }) => eventId)).toEqual(['y', 'z', 'm', 'n'])
  })

  test('what each had seen may be missing, or make a circle: they stand all the same', () => {
    const ring = [
      event('a', 1, 'b', started),
      event('b', 2, 'a', changed('x')),
      event('c', 0, 'gone', started),
    ]
    expect(new Set(trainingOrder(ring).map(({ eventId }) => eventId))).toEqual(new Set(['a', 'b', 'c']))
  })
})

test('it is over once it was ended, or after a day; opened again it goes on', () => {
  const left = { rinsed: true, wiped: true, handleBack: true }
  const on = trainingState(story(started))
  const over = trainingState(story(started, { kind: 'ended', left }))
  const again = trainingState(story(started, { kind: 'ended', left }, { kind: 'reopened' }))
  if (on === null || over === null || again === null) throw new Error('It was started.')
  const [soon, nextDay] = [new Date('2026-11-26T12:00:00Z'), new Date('2026-11-27T10:00:00Z')]
  expect([on, over, again].map((state) => isTrainingOver(state, soon))).toEqual([false, true, false])
  expect(isTrainingOver(on, nextDay)).toBe(true)
  expect([canReopen(over, soon), canReopen(over, nextDay), canReopen(on, soon)]).toEqual([true, false, false])
})

test('whoever sits in it dials in where trainees set the grind, until it is over', () => {
  const opened = trainingState(story({ kind: 'started', setup: { ...setup, grindOwner: 'trainee' } }))
  const closed = trainingState(story(started))
  if (opened === null || closed === null) throw new Error('It was started.')
  expect([mayDialIn(opened, 'a'), mayDialIn(opened, 'b'), mayDialIn(closed, 'a')]).toEqual([
    true,
    false,
    false,
  ])
  expect([hasSeat(story(started), 'a'), hasSeat(story(started), 'trainer')]).toEqual([true, false])
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
