import {
  type AssessmentEvent,
  type AssessmentHappening,
  type AssessmentKind,
  type Outcomes,
  answerBy,
  assessmentState,
} from './assessment.ts'
import { assessmentRefusal } from './assessmentRefusal.ts'
import { assessmentDue, signedOff } from './signedOff.ts'

const ZONE = 'Europe/Lisbon'
const NOW = new Date('2026-11-29T12:00:00Z')
const WHEN = { now: NOW, timeZone: ZONE }
const SETUP = {
  personId: 'trainee',
  programmeId: 'programme',
  programmeRevisionId: 'revision',
  trainingId: 'training',
  recipeRevisionId: 'recipe',
  machineId: null,
  groupNo: 0,
  grinderId: null,
  parts: ['dose' as const, 'yield' as const],
  isTasted: true,
  hasCue: false,
}
const SHOWN: Outcomes = [
  { part: 'dose', result: 'shown' },
  { part: 'yield', result: 'shown' },
]
const NOT_YET: Outcomes = [
  { part: 'dose', result: 'shown' },
  { part: 'yield', result: 'not-yet' },
]
const decided = (outcomes: Outcomes): AssessmentHappening => ({
  kind: 'decided',
  outcomes,
  proposed: outcomes,
  digest: 'd',
  rulesVersion: 3,
})
const CLOSED: AssessmentHappening = { kind: 'closed', why: 'complete' }
const events = (happenings: AssessmentHappening[], at = '2026-11-29T09:00:00Z'): AssessmentEvent[] =>
  [{ kind: 'begun', setup: SETUP } as AssessmentHappening, ...happenings].map((happening, no) => ({
    eventId: `event ${no}`,
    by: happening.kind === 'reviewed' ? 'second' : 'first',
    at,
    happening,
    text: null,
  }))
const stateOf = (happenings: AssessmentHappening[], at?: string) => {
  const state = assessmentState(events(happenings, at), NOW)
  if (state === null) throw new Error('It was begun.')
  return state
}
const REVIEWED: AssessmentHappening = { kind: 'reviewed', finding: 'otherwise', outcomes: SHOWN }

test.each<[string, AssessmentHappening[], string]>([
  ['begun', [], 'running'],
  ['ended whole', [CLOSED], 'to-decide'],
  ['broken off', [{ kind: 'closed', why: 'broken-off' }], 'kept'],
  ['illness fails nobody', [{ kind: 'closed', why: 'illness' }], 'kept'],
  ['all shown', [CLOSED, decided(SHOWN)], 'signed'],
  ['one open', [CLOSED, decided(NOT_YET)], 'not-yet'],
  ['looked at again', [CLOSED, decided(NOT_YET), { kind: 'appealed' }, REVIEWED], 'reviewed'],
  [
    'settled otherwise',
    [CLOSED, decided(NOT_YET), { kind: 'appealed' }, REVIEWED, { kind: 'settled', outcomes: SHOWN }],
    'signed',
  ],
  ['withdrawn', [CLOSED, decided(SHOWN), { kind: 'withdrawn' }], 'withdrawn'],
])('%s', (_name, happenings, stage) => {
  expect(stateOf(happenings).stage).toBe(stage)
})
test('a set that nobody ended is over after a day, and counts for nothing', () => {
  expect(stateOf([], '2026-11-28T09:00:00Z').stage).toBe('kept')
})

test('cups are tasted until the set is opened, and the later note of a cup holds', () => {
  const note = (sour: number): AssessmentHappening => ({
    kind: 'tasted',
    cup: '472',
    taste: { sour, sweet: 6, bitter: 3, body: null, dryness: null },
  })
  const all = events([note(2), note(3), CLOSED, note(9)]).map((event, no) => ({
    ...event,
    at: `2026-11-29T09:0${no}:00Z`,
  }))
  const state = assessmentState(all, NOW)
  expect(state?.tasted.map(({ taste }) => taste.sour)).toEqual([3])
})

describe('who may do what', () => {
  const ask = (
    happenings: AssessmentHappening[],
    kind: Exclude<AssessmentKind, 'begun'>,
    personId: string,
    also: { isTeaching?: boolean; isHead?: boolean; isOnlyTeacher?: boolean; at?: string } = {},
  ) => {
    const { at, isTeaching = personId !== 'trainee', isHead = false, isOnlyTeacher = false } = also
    return assessmentRefusal(
      stateOf(happenings, at),
      kind,
      { personId, isTeaching, isHead, isOnlyTeacher },
      NOW,
    )
  }
  const DONE = [CLOSED, decided(NOT_YET)]
  const APPEALED: AssessmentHappening[] = [...DONE, { kind: 'appealed' }]

  test('nobody who is assessed ends, decides or reviews their own, even if they teach', () => {
    expect(ask([], 'closed', 'trainee')).toBe('not-theirs')
    expect(ask([CLOSED], 'decided', 'trainee', { isTeaching: true, isHead: true })).toBe('not-theirs')
    expect(ask(APPEALED, 'reviewed', 'trainee', { isTeaching: true })).toBe('not-theirs')
  })
  test('what is done at the wrong time is refused', () => {
    expect(ask([], 'decided', 'first')).toBe('not-now')
    expect(ask(DONE, 'decided', 'first')).toBe('not-now')
    expect(ask([CLOSED], 'closed', 'first')).toBe('not-now')
  })
  test('whoever was assessed appeals, within fourteen days, once', () => {
    expect(ask(DONE, 'appealed', 'trainee')).toBeNull()
    expect(ask(DONE, 'appealed', 'first')).toBe('not-theirs')
    expect(ask(DONE, 'appealed', 'trainee', { at: '2026-11-10T09:00:00Z' })).toBe('too-late')
    const settled: AssessmentHappening[] = [...APPEALED, REVIEWED, { kind: 'settled', outcomes: NOT_YET }]
    expect(ask(settled, 'appealed', 'trainee')).toBe('not-now')
  })
  test('somebody else looks again, unless there is nobody else', () => {
    expect(ask(APPEALED, 'reviewed', 'first')).toBe('somebody-else')
    expect(ask(APPEALED, 'reviewed', 'second')).toBeNull()
    expect(ask(APPEALED, 'reviewed', 'first', { isOnlyTeacher: true })).toBeNull()
  })
  test('the head alone settles, once it was looked at, and withdraws', () => {
    expect(ask([...APPEALED, REVIEWED], 'settled', 'second')).toBe('not-theirs')
    expect(ask(APPEALED, 'settled', 'head', { isHead: true })).toBe('not-now')
    expect(ask([...APPEALED, REVIEWED], 'settled', 'head', { isHead: true })).toBeNull()
    expect(ask([CLOSED, decided(SHOWN)], 'withdrawn', 'second')).toBe('not-theirs')
  })
})

describe('how somebody stands in a programme', () => {
  const PROGRAMME = { way: 'set' as const, skills: ['dose' as const, 'yield' as const] }
  const HOLDS = { holds: { months: 6, awayWeeks: 8 } }
  const SINCE = { lastShotAt: '2026-11-28T09:00:00Z', isEquipmentNew: false, hasShifted: false }
  const first = { assessmentId: 'one', state: stateOf([CLOSED, decided(NOT_YET)]) }
  const again = (outcomes: Outcomes) => {
    const state = stateOf([CLOSED, decided(outcomes)])
    return { assessmentId: 'two', state: { ...state, setup: { ...state.setup, after: 'one' } } }
  }

  test('only what is open is repeated, from the day after', () => {
    expect(signedOff([first], HOLDS, SINCE, WHEN)).toEqual({
      is: 'not-yet',
      assessmentId: 'one',
      open: ['yield'],
      from: '2026-11-30',
      until: null,
    })
    const yieldShown: Outcomes = [{ part: 'yield', result: 'shown' }]
    expect(signedOff([first, again(yieldShown)], HOLDS, SINCE, WHEN)).toMatchObject({ is: 'signed' })
  })
  test('a set that was broken off changes nothing', () => {
    const kept = { assessmentId: 'two', state: stateOf([{ kind: 'closed', why: 'broken-off' }]) }
    expect(signedOff([first, kept], HOLDS, SINCE, WHEN)).toMatchObject({ is: 'not-yet', assessmentId: 'one' })
  })
  test('it is looked at again by age, after weeks away, on new equipment, on a shift; and holds all the same', () => {
    const old = { assessmentId: 'one', state: stateOf([CLOSED, decided(SHOWN)], '2026-04-01T09:00:00Z') }
    const since = { lastShotAt: '2026-09-01T09:00:00Z', isEquipmentNew: true, hasShifted: true }
    expect(signedOff([old], HOLDS, since, WHEN)).toMatchObject({
      is: 'signed',
      lookAgain: ['age', 'away', 'equipment', 'shift'],
    })
  })
  test('the day from which it is repeated is the academy’s', () => {
    const lateEvening = {
      assessmentId: 'one',
      state: stateOf([CLOSED, decided(NOT_YET)], '2026-11-28T23:30:00Z'),
    }
    const inZone = (timeZone: string) => signedOff([lateEvening], HOLDS, SINCE, { now: NOW, timeZone })
    expect(inZone('Europe/Lisbon')).toMatchObject({ from: '2026-11-29' })
    expect(inZone('Europe/Helsinki')).toMatchObject({ from: '2026-11-30' })
  })
  test('what could not be judged fairly is pulled again alone for fourteen days, then all of it is', () => {
    const barOff: Outcomes = [
      { part: 'dose', result: 'shown' },
      { part: 'time', result: 'again' },
    ]
    const at = (instant: string) => ({
      assessmentId: 'one',
      state: stateOf([CLOSED, decided(barOff)], instant),
    })
    expect(signedOff([at('2026-11-20T09:00:00Z')], HOLDS, SINCE, WHEN)).toMatchObject({
      open: ['time'],
      until: '2026-12-04T09:00:00.000Z',
    })
    expect(signedOff([at('2026-11-10T09:00:00Z')], HOLDS, SINCE, WHEN)).toMatchObject({
      open: ['dose', 'time'],
      until: null,
    })
  })
  test('an appeal is to be answered within seven days; a fresh set replaces what was not shown', () => {
    const appealed = stateOf([CLOSED, decided(NOT_YET), { kind: 'appealed' }])
    expect(answerBy(appealed)).toEqual(new Date('2026-12-06T09:00:00Z'))
    expect(answerBy(stateOf([CLOSED, decided(NOT_YET)]))).toBeNull()
    const reviewed: AssessmentHappening = { kind: 'reviewed', finding: 'fresh-set', outcomes: [] }
    const state = stateOf([CLOSED, decided(NOT_YET), { kind: 'appealed' }, reviewed])
    const standing = signedOff([{ assessmentId: 'one', state }], HOLDS, SINCE, WHEN)
    expect(standing).toMatchObject({ is: 'under-appeal', afresh: ['yield'] })
    expect(assessmentDue(standing, PROGRAMME)).toEqual({ parts: ['yield'], after: 'one' })
  })
  test('two shots confirm a sign-off, or ask for another look; they take nothing away', () => {
    const old = { assessmentId: 'one', state: stateOf([CLOSED, decided(SHOWN)], '2026-04-01T09:00:00Z') }
    const look = (happenings: AssessmentHappening[]) => {
      const state = stateOf(happenings, '2026-11-28T13:00:00Z')
      return { assessmentId: 'two', state: { ...state, setup: { ...state.setup, isLook: true as const } } }
    }
    const after = (happenings: AssessmentHappening[]) =>
      signedOff([old, look(happenings)], HOLDS, SINCE, WHEN)
    const due = signedOff([old], HOLDS, SINCE, WHEN)
    expect(assessmentDue(due, PROGRAMME)).toEqual({ parts: ['dose', 'yield', 'safety'], isLook: true })
    expect(after([])).toMatchObject({ is: 'signed', look: 'two', lookAgain: ['age'] })
    expect(after([CLOSED, decided(SHOWN)])).toMatchObject({
      is: 'signed',
      at: '2026-04-01T09:00:00Z',
      lookedAt: '2026-11-28T13:00:00Z',
      lookAgain: [],
    })
    expect(after([CLOSED, decided(NOT_YET)])).toMatchObject({ is: 'signed', lookAgain: ['age', 'look-off'] })
  })
  test('nobody is signed off in what was never assessed', () => {
    expect(signedOff([], HOLDS, SINCE, WHEN)).toEqual({ is: 'none' })
  })
})
