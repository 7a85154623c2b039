import type { AssessmentEvent } from '@calm-apron/core'
import type { UnsentWrite } from '../../data/device/deviceDatabase.ts'
import { assessmentEventsOver } from '../../data/queries/laidOver.ts'
import { isOfSet } from './ofSet.ts'

const AT = '2026-11-29T09:00:00.000Z'
const told: AssessmentEvent[] = [
  { eventId: 'known', by: 'head', at: AT, happening: { kind: 'closed', why: 'complete' }, text: null },
]
const unsent = (eventId: string, assessmentId: string, text = ''): UnsentWrite => ({
  kind: 'assessment-event',
  assessmentId,
  eventId,
  body: { by: 'head', at: AT, happening: { kind: 'ticked', ticks: ['wipes the basket'] }, text },
  author: 'head',
  refused: null,
})

test('what happened here comes after what was told, once, and none of another assessment', () => {
  const events = assessmentEventsOver(told, 'one', [
    unsent('known', 'one'),
    unsent('new', 'one', 'a reason'),
    unsent('other', 'two'),
  ])
  expect(events.map(({ eventId, text }) => [eventId, text])).toEqual([
    ['known', null],
    ['new', 'a reason'],
  ])
})

test('what is pulled in a set is without help and words, but for a trainer’s reference', () => {
  expect(isOfSet({ purpose: 'assessment' })).toBe(true)
  expect(isOfSet({ purpose: 'dial-in', assessmentId: 'one' })).toBe(true)
  expect(isOfSet({ purpose: 'reference', assessmentId: 'one' })).toBe(false)
  expect(isOfSet({ purpose: 'practice' })).toBe(false)
})
