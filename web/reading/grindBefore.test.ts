import type { ShotSummary, TodayGrinder } from '@calm-apron/contract'
import { carefulShot } from '@calm-apron/core/testing'
import { barOf, listedShot } from '../store/testing/house.ts'
import { grindBefore } from './grindBefore.ts'

const HOUR_MS = 3_600_000
const [GRINDER] = barOf().grinders as [TodayGrinder]
const at = (no: number, setting: number | null, minutes: number): ShotSummary =>
  listedShot(
    no,
    { pulledAt: new Date(Date.parse('2026-11-26T09:00:00.000Z') + minutes * 60_000).toISOString() },
    carefulShot({}, { grindSetting: setting }),
  )
const before = (shot: ShotSummary, others: ShotSummary[], grinder: TodayGrinder | null = GRINDER) =>
  grindBefore(shot, others, grinder, 4 * HOUR_MS)

test.each([
  ['finer', 12, { direction: 'finer', steps: 2 }],
  ['coarser', 17, { direction: 'coarser', steps: 3 }],
  ['not at all', 14, { direction: 'coarser', steps: 0 }],
])('the last move before it: %s', (_name, setting, moved) => {
  expect(before(at(5, setting, 10), [at(4, 14, 5)]).grindMoved).toEqual(moved)
})

test('where finer is higher, up is finer', () => {
  const grinder = { ...GRINDER, finerIs: 'higher', settingStep: 0.5 } as const
  expect(before(at(5, 15, 10), [at(4, 14, 5)], grinder).grindMoved).toEqual({ direction: 'finer', steps: 2 })
})

test('of several the newest before it counts, whoever pulled it; later ones and itself don’t', () => {
  const shot = at(5, 12, 10)
  expect(before(shot, [at(7, 20, 20), shot, at(4, 13, 8), at(3, 16, 2)]).grindMoved).toEqual({
    direction: 'finer',
    steps: 1,
  })
})

test('no move is told where nobody knows one', () => {
  expect(before(at(5, 12, 10), []).grindMoved).toBeNull()
  expect(before(at(5, null, 10), [at(4, 14, 5)]).grindMoved).toBeNull()
  expect(before(at(5, 12, 10), [at(4, null, 5)]).grindMoved).toBeNull()
  expect(before(at(5, 12, 10), [at(4, 14, 5)], null).grindMoved).toBeNull()
  // Of another day.
  expect(before(at(5, 12, 24 * 60), [at(4, 14, 5)]).grindMoved).toBeNull()
})

test('where the grinder ran in the session is known, before and after', () => {
  expect(before(at(5, 12, 10), [at(7, 9, 20), at(4, 14, 5), at(3, null, 2)]).ranAt).toEqual([9, 14])
})
