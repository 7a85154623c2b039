import type { ShotDetail, Tasting } from '@calm-apron/contract'
import { carefulShot, taste } from '@calm-apron/core/testing'
import type { UnsentWrite, Write } from '../device/deviceDatabase.ts'
import { IDA, ODALYS, shotBy } from '../../testing/device.ts'
import { RECIPE, RECIPE_REVISION, TRAINING, eventOf, listedShot, shotId } from '../../testing/house.ts'
import {
  type KnownHere,
  NOTHING,
  awaitingOver,
  eventsOver,
  isSealedHere,
  rowOver,
  shotHere,
  shotOver,
  tastingOver,
} from './laidOver.ts'

const here: KnownHere = { isTeaching: (personId) => personId === ODALYS, stoodNow: () => listedShot(1).stood }
const made = (write: Write): UnsentWrite => ({ ...write, author: ODALYS, refused: null })
const LEFT = { rinsed: true, wiped: true, handleBack: true }
const AT = '2026-11-26T09:10:00.000Z'

const detail: ShotDetail = (() => {
  const shot = listedShot(1)
  return { ...shot, recipe: RECIPE_REVISION, revisions: [shot.current] }
})()
const correction = (basedOnNo: number, grindSetting: number, last = 91) =>
  made({
    kind: 'correction',
    shotId: shotId(1),
    revisionId: shotId(last),
    body: {
      basedOnNo,
      judgedBy: ODALYS,
      reason: 'read the wrong dial',
      correctedAt: AT,
      facts: carefulShot({}, { grindSetting }),
      note: null,
    },
  })
const slip = (side: 'trainee' | 'trainer', sour: number | null, last: number) =>
  made({
    kind: 'slip',
    shotId: shotId(1),
    slipId: shotId(last),
    body: {
      filledBy: side === 'trainee' ? IDA : ODALYS,
      side,
      basedOnNo: 0,
      reason: null,
      taste: sour === null ? null : taste(sour, 5, 3),
      tastedAt: AT,
    },
  })
const call = (stage: 'first' | 'final', last = 71, of = 1) =>
  made({
    kind: 'call',
    shotId: shotId(of),
    callId: shotId(last),
    body: { calledBy: IDA, stage, verdict: 'balanced', cause: null, move: 'hold', calledAt: AT },
  })

test('a correction that the answer lacks is the newest revision, and what stood before stays', () => {
  const over = shotOver(detail, [correction(1, 12)], here)
  expect(over.current).toMatchObject({ revisionNo: 2, facts: { grindSetting: 12 }, isJudgeTeaching: true })
  expect(over.revisions.map(({ revisionNo }) => revisionNo)).toEqual([2, 1])
  expect(rowOver(listedShot(1), [correction(1, 12)], here).current.facts.grindSetting).toBe(12)
})

test('what was told meanwhile is not there twice, and nothing older lies over it', () => {
  const told = shotOver(detail, [correction(1, 12)], here)
  expect(shotOver(told, [correction(1, 12)], here).revisions).toHaveLength(2)
  const newer = { ...listedShot(1), current: { ...detail.current, revisionNo: 3 } }
  expect(rowOver(newer, [correction(1, 12)], here).current.revisionNo).toBe(3)
})

test('slips are tasted with once both sides are in, not before', () => {
  expect(shotOver(detail, [slip('trainee', 6, 81)], here).tasted.trainee).toBeNull()
  const both = shotOver(detail, [slip('trainee', 6, 81), slip('trainer', 4, 82)], here)
  expect(both.tasted).toMatchObject({ trainee: { sour: 6 }, trainer: { sour: 4 } })
})

test('a shot of this device stands as a list would tell it, sealed until its call', () => {
  const body = { ...shotBy(ODALYS), recipeRevisionId: RECIPE, isCallAsked: true }
  const write = {
    ...made({ kind: 'shot', shotId: shotId(1), body }),
    kind: 'shot' as const,
    shotId: shotId(1),
    body,
  }
  expect(shotHere(write, [write], here)).toMatchObject({
    shotId: shotId(1),
    personId: IDA,
    current: { revisionNo: 1, judgedBy: ODALYS, isJudgeTeaching: true },
  })
  expect(isSealedHere(write, [write, call('first')])).toBe(true)
  expect(isSealedHere(write, [write, call('final')])).toBe(false)
  expect(awaitingOver([], [write])).toMatchObject([{ shotId: shotId(1), personId: IDA }])
  expect(awaitingOver([], [write, call('final')])).toEqual([])
})

test('what happened in a training is there once, whether it was told or not', () => {
  const told = eventOf(1, AT, { kind: 'break-began' })
  const { eventId, ...body } = told
  const same = made({ kind: 'training-event', trainingId: TRAINING, eventId, body })
  const more = made({
    kind: 'training-event',
    trainingId: TRAINING,
    eventId: shotId(5),
    body: { ...body, happening: { kind: 'ended', left: LEFT } },
  })
  expect(eventsOver([told], TRAINING, [same, more]).map((each) => each.eventId)).toEqual([eventId, shotId(5)])
  expect(eventsOver([told], shotId(9), [more])).toEqual([told])
})

test('of a tasting one side stays hidden until both are in or skipped; calls decide once', () => {
  const own = tastingOver(NOTHING, shotId(1), [slip('trainee', 6, 81), call('first')])
  expect([own.sides, own.isOpen, own.slips, own.called]).toEqual([
    { trainee: 'in', trainer: 'waiting' },
    false,
    [],
    { first: true, final: false },
  ])
  const open = tastingOver(NOTHING, shotId(1), [
    slip('trainee', 6, 81),
    slip('trainer', null, 82),
    call('final', 72),
  ])
  expect([open.isOpen, open.slips.map(({ slipId }) => slipId), open.called.final]).toEqual([
    true,
    [shotId(81), shotId(82)],
    true,
  ])
  const told: Tasting = { ...open }
  const again = tastingOver(told, shotId(1), [
    slip('trainee', 6, 81),
    call('final', 72),
    call('final', 73, 2),
  ])
  expect([again.slips.length, again.calls.length]).toEqual([2, 1])
})
