import type { PassedOn } from './hub.ts'
import { LATELY_MS, lately } from './lately.ts'

const stage = (group: string, pumpS: number): PassedOn => ({
  academyId: 'here',
  personId: null,
  news: {
    kind: 'stage',
    trainingId: 'training',
    stage: {
      group,
      personId: 'ilse',
      shotId: 'shot',
      step: 'pull',
      phase: 'flowing',
      pumpS,
      weightG: null,
      at: '2026-03-02T09:00:00Z',
    },
  },
})
const shot = (shotId: string, academyId = 'here'): PassedOn => ({
  academyId,
  personId: 'ilse',
  news: { kind: 'shot', shotId, trainingId: null },
})

test('of each thing the last is known, in the order in which it came, and only of one’s own academy', () => {
  const told = lately()
  for (const [no, passed] of [
    stage('a', 1),
    shot('1'),
    stage('b', 1),
    shot('2', 'away'),
    stage('a', 2),
  ].entries())
    told.note(passed, no)
  expect(told.since('here', 10)).toEqual([shot('1'), stage('b', 1), stage('a', 2)])
  expect(told.since('away', 10)).toEqual([shot('2', 'away')])
})

test('it is forgotten after a while; whose doors closed is never told', () => {
  const told = lately()
  told.note(shot('1'), 0)
  told.note(shot('2'), 1000)
  told.note({ academyId: 'here', personId: null, news: { kind: 'doors' } }, 1000)
  expect(told.since('here', LATELY_MS + 1)).toEqual([shot('2')])
  expect(told.since('here', LATELY_MS + 1001)).toEqual([])
})

test('of very much at once it is not told one by one', () => {
  const told = lately()
  for (let no = 0; no < 200; no += 1) told.note(shot(String(no)), 0)
  expect(told.since('here', 1)).toBeNull()
})
