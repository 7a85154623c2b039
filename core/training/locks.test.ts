import { departures, locksHeld } from './locks.ts'
import type { LockedSetting, TrainingEvent, TrainingHappening } from './trainingState.ts'

const lock = (setting: number): LockedSetting => ({
  grinderId: 'grinder',
  bagId: null,
  recipeRevisionId: 'recipe',
  setting,
  doseG: 18,
  basketId: null,
  innerBurrAt: null,
  shots: 3,
  grams: 57,
  money: null,
})
const event = (minute: number, happening: TrainingHappening): TrainingEvent => ({
  eventId: `event-${minute}`,
  by: 'trainer',
  at: `2026-11-23T10:${String(minute)}:00.000Z`,
  happening,
})
const EVENTS = [
  event(10, { kind: 'locked', lock: lock(12) }),
  event(20, { kind: 'locked', lock: lock(12) }),
  event(30, { kind: 'unlocked', why: 'bag' }),
  event(40, { kind: 'locked', lock: lock(11) }),
  event(50, { kind: 'locked', lock: lock(10.5) }),
]

test('settings in the order in which they held; one that is confirmed holds on', () => {
  expect(
    locksHeld(EVENTS).map(({ lock: { setting }, at, until }) => [setting, at.slice(14, 16), until]),
  ).toEqual([
    [12, '10', { at: '2026-11-23T10:30:00.000Z', why: 'bag' }],
    [11, '40', { at: '2026-11-23T10:50:00.000Z', why: null }],
    [10.5, '50', null],
  ])
  expect(locksHeld([])).toEqual([])
})

test('what was pulled otherwise than locked just then; before a lock, with another grinder or at a setting nobody noted nothing is', () => {
  const shot = (minute: number, grindSetting: number | null, grinderId = 'grinder') => ({
    pulledAt: `2026-11-23T10:${String(minute)}:30.000Z`,
    grinderId,
    recipeRevisionId: 'recipe',
    grindSetting,
  })
  const away = shot(15, 13)
  const shots = [shot(11, 12), away, shot(16, null), shot(17, 5, 'other'), shot(35, 5), shot(51, 10.5)]
  expect(departures(locksHeld(EVENTS), shots)).toEqual([{ shot: away, lock: lock(12) }])
})
