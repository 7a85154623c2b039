import { CONTRACT_VERSION, ENDPOINTS } from '@calm-apron/contract'
import { formerAnswer, formerProblem, isFormerPage } from './formerAnswer.ts'

const started = { eventId: 'a', by: 'b', at: 'c', happening: { kind: 'break-began' } }

test('a page of the last release is told what it knew, in its own words', () => {
  const training = {
    trainingId: 't',
    events: [
      { ...started, sentBy: 'd' },
      { ...started, happening: { kind: 'not-yet-thought-of' } },
    ],
    more: { of: 'it' },
  }
  expect(formerAnswer(ENDPOINTS.getTraining, training)).toEqual({ trainingId: 't', events: [started] })
})

test('nothing that it knew is lost, whatever it holds', () => {
  const audit = {
    entries: [{ auditId: 'a', kind: 'shot-recorded', before: { deep: [1] }, after: null, actorName: null }],
    nextCursor: null,
  }
  expect(formerAnswer(ENDPOINTS.listAudit, audit)).toEqual(audit)
  const problem = { code: 'id-taken', status: 409, versions: { current: { a: 1 }, yours: null } }
  expect(formerProblem({ ...problem, more: 1 })).toEqual(problem)
})

test('it is known by naming no version, or an earlier one', () => {
  const named = (version?: string) =>
    ({ get: () => version }) as unknown as Parameters<typeof isFormerPage>[0]
  const [now, before] = [String(CONTRACT_VERSION), String(CONTRACT_VERSION - 1)]
  expect([named(), named(before), named('x'), named(now)].map(isFormerPage)).toEqual([
    true,
    true,
    true,
    false,
  ])
})
