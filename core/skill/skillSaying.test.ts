import { type SaidOf, bySaying, skillSaying } from './skillSaying.ts'
import { eachSkill } from './types.ts'

const each = <T>(value: T) => eachSkill(() => value)
const ON = { mean: 0.9, low: 0.7, high: 0.95, effectiveShots: 12 }
const STANDING = { shift: null, bias: 0, on: ON }
const NOW = Date.parse('2026-11-26T18:00:00.000Z')
const PERSON: SaidOf = {
  shots: 30,
  lastAt: '2026-11-26T09:00:00.000Z',
  safetyMissed: 0,
  rung: 'steady',
  practiseNext: null,
  isAssessmentWorthIt: false,
  skills: each(STANDING),
}
const said = (part: Partial<SaidOf>) => skillSaying({ ...PERSON, ...part }, NOW)
const SHIFT = { shots: 8, mean: 2.1 }

test('what is most pressing is said, and nothing else', () => {
  const practiseNext = { skill: 'dose' as const, story: 'steady-but-off' as const }
  const heavy = {
    skills: { ...PERSON.skills, dose: { ...STANDING, shift: SHIFT, bias: 2 } },
    practiseNext,
  }
  expect(said({ ...heavy, safetyMissed: 2 })).toEqual({ kind: 'safety-missed', times: 2 })
  expect(said(heavy)).toEqual({ kind: 'worse', skill: 'dose', shift: SHIFT })
  expect(said({ rung: 'ready', isAssessmentWorthIt: true, practiseNext })).toEqual({ kind: 'ready' })
  expect(said({ rung: 'due', practiseNext })).toEqual({ kind: 'due' })
  expect(said({ lastAt: '2026-11-05T09:00:00.000Z', practiseNext })).toEqual({ kind: 'idle', days: 21 })
  expect(said({ practiseNext })).toEqual({ kind: 'practise', ...practiseNext, bias: 0 })
  expect(said({})).toEqual({ kind: 'going-well' })
  expect(said({ shots: 3, skills: each({ ...STANDING, on: null }) })).toEqual({ kind: 'few', shots: 3 })
  expect(said({ lastAt: null })).toEqual({ kind: 'nothing-yet' })
})

test('the team stands in the order of what is pressing, then of who is least likely to pass', () => {
  const person = (part: Partial<SaidOf>, passToday: number | null) => ({ saying: said(part), passToday })
  const practise = { practiseNext: { skill: 'dose' as const, story: 'scattered' as const } }
  const [well, unsafe, weak, strong, unknown] = [
    person({}, 0.5),
    person({ safetyMissed: 1 }, 0.9),
    person(practise, 0.1),
    person(practise, 0.6),
    person(practise, null),
  ]
  expect([well, unknown, strong, weak, unsafe].sort(bySaying)).toEqual([unsafe, weak, strong, unknown, well])
})
