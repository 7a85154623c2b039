import { type SkillList, briefOf } from '@calm-apron/contract'
import { DEFAULT_PROGRAMME, assessSkill } from '@calm-apron/core'
import { type TeamView, teamViewed } from './teamView.ts'

const NOW = Date.parse('2026-11-26T12:00:00Z')
const nobodyYet = assessSkill([], DEFAULT_PROGRAMME)

function person(personId: string, daysAgo: number, passToday: number | null, by: 'mass' | 'volume' = 'mass') {
  const lastAt = new Date(NOW - daysAgo * 86_400_000).toISOString()
  const family = { ...briefOf({ ...nobodyYet, family: { by, basketId: null } }), lastAt, passToday, shots: 3 }
  return { personId, asOf: lastAt, isBehind: false, families: [family] } satisfies SkillList['people'][number]
}
const PEOPLE = [person('b', 1, 0.5), person('a', 40, 0.2), person('c', 3, null, 'volume')]
const ALL: TeamView = { order: 'pressing', by: '', withinDays: null, personIds: null }
const shown = (view: Partial<TeamView>) =>
  teamViewed(PEOPLE, { ...ALL, ...view }, (id) => id.toUpperCase(), NOW).map(({ name }) => name)

test('in the order that is asked for', () => {
  // Whoever has not pulled for long is more pressing than those of whom little is known.
  expect(shown({})).toEqual(['A', 'B', 'C'])
  expect(shown({ order: 'name' })).toEqual(['A', 'B', 'C'])
  expect(shown({ order: 'pass' })).toEqual(['A', 'B', 'C'])
  expect(shown({ order: 'away' })).toEqual(['A', 'C', 'B'])
})

test('only those of a training, of a way to pull, or who pulled of late', () => {
  expect(shown({ by: 'volume' })).toEqual(['C'])
  expect(shown({ withinDays: 7 })).toEqual(['B', 'C'])
  expect(shown({ personIds: ['a', 'c'], withinDays: 7 })).toEqual(['C'])
})
