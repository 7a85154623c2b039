import type { ShotDetail } from '@calm-apron/contract'
import { carefulShot, taste } from '@calm-apron/core/testing'
import { useAcademy } from './academy.ts'
import { useDoor } from './door.ts'
import { dropOldShots, keepShots, keptShotsOf } from './keptShots.ts'
import { useOutbox } from './outbox.ts'
import { CallFirst, useShots } from './shots.ts'
import {
  IDA,
  ODALYS,
  type Said,
  doorsWith,
  freshDevice,
  refusal,
  sessionOf,
  shotBy,
} from './testing/device.ts'
import { RECIPE, RECIPE_REVISION, houseOf, listedShot, shotId } from './testing/house.ts'

const LIST = `GET /shots?personId=${IDA}&limit=20`

const detailOf = (last: number): ShotDetail => {
  const shot = listedShot(last)
  return { ...shot, recipe: RECIPE_REVISION, revisions: [shot.current] }
}
const listOf = (...shots: ReturnType<typeof listedShot>[]): Said => ({
  body: { shots, recipes: [RECIPE_REVISION], nextCursor: null },
})

/** A trainer's tablet with a server that tells these and takes nothing yet. */
async function tabletWith(says: Parameters<typeof freshDevice>[0]) {
  const device = await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: houseOf() }),
    ...says,
  })
  await useDoor().load()
  await useAcademy().load()
  return { ...device, shots: useShots(), outbox: useOutbox() }
}

const correction = (basedOnNo: number, grindSetting: number) => ({
  basedOnNo,
  judgedBy: ODALYS,
  reason: 'read the wrong dial',
  correctedAt: '2026-11-26T09:30:00.000Z',
  facts: carefulShot({}, { grindSetting }),
  note: null,
})

test('a shot that nobody but this device knows is found, with the recipe it was judged by', async () => {
  const { shots, outbox } = await tabletWith({ 'GET /shots/*': () => refusal('not-found', 404) })
  await outbox.addShot(shotId(1), { ...shotBy(ODALYS), recipeRevisionId: RECIPE })
  expect(await shots.find(shotId(1))).toMatchObject({
    shotId: shotId(1),
    recipe: { recipeRevisionId: RECIPE },
  })
  expect(await shots.find(shotId(2))).toBeNull()
})

test('what was told once is there without network, for the same person alone', async () => {
  const { says, shots } = await tabletWith({ 'GET /shots/*': () => ({ body: detailOf(1) }) })
  await shots.find(shotId(1))
  says['GET /shots/*'] = () => 'nothing'
  expect(await shots.find(shotId(1))).toMatchObject({ shotId: shotId(1) })
  await expect(shots.find(shotId(2))).rejects.toMatchObject({ name: 'ServerUnreachable' })
  useDoor().session = sessionOf(IDA)
  await expect(shots.find(shotId(1))).rejects.toMatchObject({ name: 'ServerUnreachable' })
})

test('a reading that waits for a call says so, and is not taken for a missing shot', async () => {
  const { shots } = await tabletWith({ 'GET /shots/*': () => refusal('call-first', 409) })
  await expect(shots.find(shotId(1))).rejects.toBeInstanceOf(CallFirst)
})

test('a correction that was not sent yet is the newest revision, and what stood before stays', async () => {
  const { shots, outbox } = await tabletWith({ 'GET /shots/*': () => ({ body: detailOf(1) }) })
  await outbox.addCorrection(shotId(1), shotId(91), correction(1, 12))
  const found = await shots.find(shotId(1))
  expect(found?.current).toMatchObject({
    revisionNo: 2,
    reason: 'read the wrong dial',
    facts: { grindSetting: 12 },
  })
  expect(found?.revisions.map(({ revisionNo }) => revisionNo)).toEqual([2, 1])
})

test('a list begins with what was not sent, and shows nothing twice', async () => {
  const { says, shots, outbox } = await tabletWith({})
  for (const last of [8, 9])
    await outbox.addShot(shotId(last), { ...shotBy(ODALYS), recipeRevisionId: RECIPE, personId: IDA })
  says[LIST] = () => listOf(listedShot(8), listedShot(2))
  const page = await shots.page({ personId: IDA }, null)
  expect(page.shots.map(({ shot, isUnsent }) => [shot.shotId, isUnsent])).toEqual([
    [shotId(9), true],
    [shotId(8), false],
    [shotId(2), false],
  ])
  expect(page.isReached).toBe(true)
})

test('without network a list holds what this device knows of whom was asked for', async () => {
  const { says, shots } = await tabletWith({})
  says[LIST] = () => listOf(listedShot(2), listedShot(1))
  await shots.page({ personId: IDA }, null)
  says[LIST] = () => 'nothing'
  says[`GET /shots?personId=${ODALYS}&limit=20`] = () => 'nothing'
  const page = await shots.page({ personId: IDA }, null)
  expect([page.isReached, page.shots.map(({ shot }) => shot.shotId)]).toEqual([false, [shotId(2), shotId(1)]])
  expect((await shots.page({ personId: ODALYS }, null)).shots).toEqual([])
})

test('slips that were not sent are tasted with once both sides are in, not before', async () => {
  const { shots, outbox } = await tabletWith({
    'GET /shots/*': () => ({ body: detailOf(1) }),
    [LIST]: () => listOf(listedShot(1)),
  })
  const slip = (side: 'trainee' | 'trainer', sour: number) => ({
    kind: 'slip' as const,
    shotId: shotId(1),
    slipId: shotId(side === 'trainee' ? 81 : 82),
    body: {
      filledBy: ODALYS,
      side,
      basedOnNo: 0,
      reason: null,
      taste: taste(sour, 5, 3),
      tastedAt: '2026-11-26T09:10:00.000Z',
    },
  })
  await outbox.add(slip('trainee', 6))
  expect((await shots.find(shotId(1)))?.tasted).toEqual({ trainee: null, trainer: null })
  await outbox.add(slip('trainer', 4))
  expect((await shots.find(shotId(1)))?.tasted).toMatchObject({ trainee: { sour: 6 }, trainer: { sour: 4 } })
  const { shots: listed } = await shots.page({ personId: IDA }, null)
  expect(listed[0]?.shot.tasted).toMatchObject({ trainee: { sour: 6 }, trainer: { sour: 4 } })
  // What is kept is what was told; what waits is laid over it each time.
  expect(await keptShotsOf(ODALYS)).toMatchObject([{ tasted: { trainee: null, trainer: null } }])
})

test('shots of long ago are forgotten, the others stay', async () => {
  await tabletWith({})
  const old = { ...detailOf(1), pulledAt: '2026-08-01T09:00:00.000Z' }
  await keepShots(ODALYS, [old, detailOf(2)])
  await dropOldShots(Date.parse('2026-11-26T12:00:00Z'))
  expect((await keptShotsOf(ODALYS)).map((shot) => shot.shotId)).toEqual([shotId(2)])
})
