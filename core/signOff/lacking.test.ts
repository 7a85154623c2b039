import { pulledShot } from './examples.ts'
import { type RunShot, runStanding } from './lacking.ts'
import { PRESET_PROGRAMMES } from './programme.ts'

const PROGRAMME = PRESET_PROGRAMMES['espresso-at-the-bar']
const run = (count: number, make: (no: number) => Partial<RunShot> = () => ({})) =>
  Array.from({ length: count }, (_each, no) =>
    pulledShot(no, { purpose: 'practice', day: `day ${no % 3}`, bagId: `bag ${no % 2}`, ...make(no) }),
  )
const lacking = (shots: readonly RunShot[]) => runStanding(shots, PROGRAMME).lacking

test('whoever has shown it over shots, days and bags lacks nothing', () => {
  expect(lacking(run(24))).toEqual([])
})
test('the beginner is told how many, and what nobody has seen', () => {
  expect(lacking([])).toEqual([
    { kind: 'shots', more: 20 },
    { kind: 'days', more: 3 },
    { kind: 'bags', more: 2 },
    ...['dose', 'tamp', 'yield', 'time', 'taste', 'call'].map((skill) => ({
      kind: 'part',
      skill,
      is: 'unseen',
    })),
  ])
})
test('what the tool helped with counts neither towards shots nor towards dose and yield', () => {
  const helped = lacking(run(24, () => ({ isHelped: true })))
  expect(helped).toContainEqual({ kind: 'shots', more: 20 })
  expect(helped).toContainEqual({ kind: 'part', skill: 'dose', is: 'not-yet' })
  expect(helped).not.toContainEqual({ kind: 'part', skill: 'tamp', is: 'not-yet' })
})
test.each(['sink', 'deliberate-fault', 'demonstration', 'equipment-failure'] as const)(
  'a %s is no practice',
  (purpose) => {
    const shots = run(24).map((shot) => ({ ...shot, context: { ...shot.context, purpose } }))
    expect(lacking(shots)).toContainEqual({ kind: 'shots', more: 20 })
  },
)
test('simulated shots are no practice', () => {
  const shots = run(24).map((shot) => ({ ...shot, context: { ...shot.context, isSimulated: true } }))
  expect(lacking(shots)).toContainEqual({ kind: 'shots', more: 20 })
})
test('a safety step left out of late, or calls below the threshold, hold it up', () => {
  const steps = { stepsDone: [], stepsPrompted: [], stepsMissed: ['flush' as const] }
  expect(lacking(run(24, (no) => (no === 20 ? { steps } : {})))).toEqual([{ kind: 'safety', times: 1 }])
  expect(lacking(run(24, () => ({ callScore: 0.5 })))).toContainEqual({
    kind: 'part',
    skill: 'call',
    is: 'not-yet',
  })
})
test('programmes that come first are named', () => {
  const builds = { ...PROGRAMME, buildsOn: ['first', 'second'] }
  expect(runStanding(run(24), builds, new Set(['first'])).lacking).toEqual([
    { kind: 'before', programmeId: 'second' },
  ])
  expect(runStanding([], { ...PRESET_PROGRAMMES['first-week'] }).lacking).toEqual([])
})
