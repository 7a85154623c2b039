import type { ShotDetail } from '@calm-apron/contract'
import { useAcademy } from '../academy/academy.ts'
import { useDoor } from '../door/door.ts'
import { dropOldShots, keepShots, keptShotsOf } from '../device/keptShots.ts'
import { useOutbox } from '../outbox/outbox.ts'
import {
  IDA,
  ODALYS,
  type Said,
  doorsWith,
  freshDevice,
  refusal,
  sessionOf,
  settled,
  shotBy,
} from '../../testing/device.ts'
import { RECIPE, RECIPE_REVISION, TEO, TRAINING, houseOf, listedShot, shotId } from '../../testing/house.ts'
import { inSetup } from '../../testing/inSetup.ts'
import { useShot, useShotList } from './useShots.ts'

const LIST = `GET /shots?personId=${IDA}&limit=20`
const never = () => new Promise<Said>(() => undefined)

const detailOf = (last: number): ShotDetail => {
  const shot = listedShot(last)
  return { ...shot, recipe: RECIPE_REVISION, revisions: [shot.current] }
}
const listOf = (...shots: ReturnType<typeof listedShot>[]): Said => ({
  body: { shots, recipes: [RECIPE_REVISION], nextCursor: null },
})
const own = { ...shotBy(ODALYS), recipeRevisionId: RECIPE }

/** A device that keeps what it kept before, with a server that tells these and takes nothing yet. */
async function pageOf<T>(look: () => T, viewerId = ODALYS) {
  const { result, end } = await inSetup(look)
  await useDoor().load()
  await useAcademy().load()
  if (viewerId !== ODALYS) useDoor().session = sessionOf(viewerId)
  await settled()
  return { result, end, outbox: useOutbox() }
}
const house = (says: Parameters<typeof freshDevice>[0]) =>
  freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: houseOf() }),
    'PUT /shots/*': () => 'nothing',
    ...says,
  })

test('a shot that nobody but this device knows is there at once, and nobody else is asked for it', async () => {
  const { asked } = await house({ 'GET /shots/*': never })
  const { result, end, outbox } = await pageOf(() => useShot(() => shotId(1)))
  await outbox.addShot(shotId(1), own)
  asked.length = 0
  await settled()
  expect(result.state.value).toBe('here')
  expect(result.shot.value).toMatchObject({ shotId: shotId(1), recipe: { recipeRevisionId: RECIPE } })
  expect(asked.filter((what) => what.startsWith('GET /shots/'))).toEqual([])
  end()
})

test('one that the server refused stays where it was pulled, and is in no list', async () => {
  await house({
    'GET /shots/*': () => refusal('not-found', 404),
    'PUT /shots/*': () => refusal('invalid-input', 422),
  })
  const { result, end, outbox } = await pageOf(() => ({
    one: useShot(() => shotId(1)),
    list: useShotList(() => ({ personId: IDA })),
  }))
  await outbox.addShot(shotId(1), { ...own, personId: IDA })
  await settled()
  expect(outbox.refused).toHaveLength(1)
  expect([result.one.state.value, result.list.shots.value]).toEqual(['here', []])
  end()
})

test('where another tablet was first under the same id, the stored shot stands, and not the refused one', async () => {
  await house({
    'GET /shots/*': () => ({ body: detailOf(1) }),
    'PUT /shots/*': () => refusal('id-taken', 409),
  })
  const { result, end, outbox } = await pageOf(() => useShot(() => shotId(1)))
  await outbox.addShot(shotId(1), { ...own, note: 'refused' })
  await settled()
  expect(outbox.refused).toHaveLength(1)
  expect(result.shot.value?.current.note).toBe(detailOf(1).current.note)
  end()
})

test('what was told once is there at once on a line that hangs, for the same person alone', async () => {
  const { says } = await house({ 'GET /shots/*': () => ({ body: detailOf(1) }) })
  const first = await pageOf(() => useShot(() => shotId(1)))
  expect(first.result.state.value).toBe('here')
  first.end()
  says['GET /shots/*'] = never
  const again = await pageOf(() => useShot(() => shotId(1)))
  expect(again.result.shot.value).toMatchObject({ shotId: shotId(1) })
  again.end()
  const other = await pageOf(() => useShot(() => shotId(1)), IDA)
  expect([other.result.state.value, other.result.shot.value]).toEqual(['looking', null])
  other.end()
})

test('what the server says one may not see is not shown from the device either, nor kept', async () => {
  const { says } = await house({ 'GET /shots/*': () => ({ body: detailOf(1) }) })
  const first = await pageOf(() => useShot(() => shotId(1)))
  first.end()
  says['GET /shots/*'] = () => refusal('not-found', 404)
  const again = await pageOf(() => useShot(() => shotId(1)))
  expect([again.result.state.value, again.result.shot.value]).toEqual(['not-there', null])
  again.end()
  expect(await keptShotsOf(ODALYS, {}, 10)).toEqual([])
})

test('a reading that waits for a call says so, on the device of whoever pulled before anything was sent', async () => {
  await house({ 'GET /shots/*': () => refusal('call-first', 409), [LIST]: () => listOf() })
  const trainee = {
    ...sessionOf(IDA),
    person: { personId: IDA, displayName: 'Ida', role: 'trainee' as const },
  }
  const { result, end, outbox } = await pageOf(() => ({
    one: useShot(() => shotId(1)),
    list: useShotList(() => ({ personId: IDA })),
  }))
  useDoor().session = trainee
  await settled()
  expect(result.one.state.value).toBe('call-first')
  await outbox.addShot(shotId(1), { ...own, judgedBy: IDA, personId: IDA, isCallAsked: true })
  await settled()
  expect([result.one.state.value, result.list.shots.value]).toEqual(['call-first', []])
  await outbox.add({
    kind: 'call',
    shotId: shotId(1),
    callId: shotId(71),
    body: {
      calledBy: IDA,
      stage: 'final',
      verdict: 'balanced',
      cause: null,
      move: 'hold',
      calledAt: '2026-11-26T09:10:00.000Z',
    },
  })
  await settled()
  expect([result.one.state.value, result.list.shots.value.length]).toEqual(['here', 1])
  end()
})

test('a list begins with what was not sent, and shows nothing twice', async () => {
  await house({ [LIST]: () => listOf(listedShot(8), listedShot(2)) })
  const { result, end, outbox } = await pageOf(() => useShotList(() => ({ personId: IDA })))
  for (const last of [8, 9]) await outbox.addShot(shotId(last), { ...own, personId: IDA })
  await settled()
  expect(result.shots.value.map(({ shot, isUnsent }) => [shot.shotId, isUnsent])).toEqual([
    [shotId(9), true],
    [shotId(8), false],
    [shotId(2), false],
  ])
  expect(result.isReached.value).toBe(true)
  end()
})

test('without network a list holds what this device knows of whom was asked for', async () => {
  const { says } = await house({ [LIST]: () => listOf(listedShot(2), listedShot(1)) })
  const first = await pageOf(() => useShotList(() => ({ personId: IDA })))
  first.end()
  says[LIST] = () => 'nothing'
  const again = await pageOf(() => useShotList(() => ({ personId: IDA })))
  expect([again.result.isReached.value, again.result.shots.value.map(({ shot }) => shot.shotId)]).toEqual([
    false,
    [shotId(2), shotId(1)],
  ])
  again.end()
  const other = await pageOf(() => useShotList(() => ({ personId: TEO })))
  expect([other.result.isKnown.value, other.result.shots.value]).toEqual([true, []])
  other.end()
})

test('what a trainer recorded on this device of somebody else is not shown to a trainee', async () => {
  await house({
    [`GET /shots?trainingId=${TRAINING}&limit=20`]: () => listOf(),
    'GET /shots/*': () => refusal('not-found', 404),
  })
  const { result, end, outbox } = await pageOf(() => ({
    one: useShot(() => shotId(1)),
    list: useShotList(() => ({ trainingId: TRAINING })),
  }))
  await outbox.addShot(shotId(1), { ...own, personId: TEO, trainingId: TRAINING })
  await settled()
  expect([result.one.state.value, result.list.shots.value.length]).toEqual(['here', 1])
  useDoor().session = { ...sessionOf(IDA), person: { personId: IDA, displayName: 'Ida', role: 'trainee' } }
  await settled()
  expect([result.one.state.value, result.list.shots.value]).toEqual(['not-there', []])
  end()
})

test('shots of long ago are forgotten, the others stay', async () => {
  await house({})
  const old = { ...detailOf(1), pulledAt: '2026-08-01T09:00:00.000Z' }
  await keepShots(ODALYS, [old, detailOf(2)], 1)
  await dropOldShots(Date.parse('2026-11-26T12:00:00Z'))
  expect((await keptShotsOf(ODALYS, {}, 10)).map(({ detail }) => detail.shotId)).toEqual([shotId(2)])
})
