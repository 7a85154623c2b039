import { academyFile } from '@calm-apron/contract'
import { trainingState } from '@calm-apron/core'
import { halfYear } from './halfYear/index.ts'
import { sayingOf } from './halfYear/sayingOf.ts'
import { MADE_FOR, shiftedTo } from './halfYear/shifted.ts'
import { demoAcademy, demoOfHalfYear } from './index.ts'

const NOW = new Date('2026-11-23T10:00:00Z')
const academy = demoOfHalfYear(NOW)

test('half a year is a valid academy, the same each time, moved by whole days', () => {
  expect(academyFile.parse(academy)).toEqual(academy)
  expect(demoOfHalfYear(NOW)).toEqual(academy)
  expect(academy.shots.length).toBeGreaterThan(2000)
  const dayLater = demoOfHalfYear(new Date(NOW.getTime() + 86_400_000))
  expect(dayLater.shots[0]?.facts).toEqual(academy.shots[0]?.facts)
})

test('made for one day and moved, it is what would be made for the other', () => {
  const moved: unknown = JSON.parse(shiftedTo(NOW, JSON.stringify(halfYear(MADE_FOR))))
  expect(moved).toEqual(halfYear(NOW))
})

test('its bags were open when they were pulled from, and none gave more than it held', () => {
  for (const { preparedId, thing } of academy.prepared) {
    if (thing.kind !== 'bag' || thing.content.finishedOn === null) continue
    const its = academy.shots.filter(({ bagId }) => bagId === preparedId)
    const grams = its.reduce((sum, { facts: { dose } }) => sum + (dose?.by === 'net' ? dose.netG : 0), 0)
    expect(grams).toBeLessThan(thing.content.bagG)
    for (const { pulledAt } of its) {
      const date = pulledAt.slice(0, 10)
      expect(date >= (thing.content.openedOn ?? '') && date <= thing.content.finishedOn).toBe(true)
    }
  }
})

const saidOf = (personNo: number) => sayingOf(academy, personNo, NOW)

test('each of its stories is told of the right one', () => {
  expect(saidOf(3)).toMatchObject({ kind: 'practise', skill: 'dose', story: 'steady-but-off' })
  expect(saidOf(4)).toMatchObject({ kind: 'practise', skill: 'tamp' })
  expect(saidOf(5)).toMatchObject({ kind: 'practise', skill: 'time' })
  expect(saidOf(8)).toMatchObject({ kind: 'idle' })
  expect(saidOf(9)).toMatchObject({ kind: 'worse', skill: 'dose' })
  for (const calm of [2, 10, 11]) expect(['worse', 'safety-missed', 'idle']).not.toContain(saidOf(calm).kind)
})

test('its trainings hold every shot of it, each with a setting that was locked first unless whoever pulled set the grind', () => {
  const own = academy.shots.filter(({ trainingId }) => trainingId !== null)
  const byId = new Map(academy.trainings.map((each) => [each.trainingId, trainingState(each.events)]))
  for (const { trainingId, purpose, pulledAt, facts, grindOwner } of own) {
    const state = byId.get(trainingId ?? '')
    expect(state?.ended !== null && pulledAt >= (state?.startedAt ?? '')).toBe(true)
    if (purpose === 'practice' && grindOwner === 'trainer')
      expect(state?.lock?.setting).toBe(facts.grindSetting)
  }
  expect(own.length).toBe(academy.shots.length - demoAcademy(NOW).shots.length)
})

test('a call is held by both notes, and a burr that was moved moves the settings', () => {
  for (const { shotId } of academy.calls)
    expect(academy.slips.filter((slip) => slip.shotId === shotId).map(({ side }) => side)).toEqual([
      'trainee',
      'trainer',
    ])
  const locks = academy.trainings.flatMap(({ events }) => trainingState(events)?.lock ?? [])
  const jumps = locks.slice(1).map(({ setting }, at) => Math.abs(setting - (locks[at]?.setting ?? 0)))
  expect(jumps.filter((by) => by >= 1.5)).toHaveLength(1)
})
