import type { ShotDetail } from '@calm-apron/contract'
import { carefulShot } from '@calm-apron/core/testing'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { useOutbox } from '../../data/outbox/outbox.ts'
import {
  ODALYS,
  type Said,
  doorsWith,
  freshDevice,
  refusal,
  sessionOf,
  settled,
  shotBy,
} from '../../testing/device.ts'
import { RECIPE, RECIPE_REVISION, houseOf, listedShot, shotId } from '../../testing/house.ts'
import { inSetup } from '../../testing/inSetup.ts'
import { useShotReading } from './useShotReading.ts'

const AT_14 = carefulShot({}, { grindSetting: 14 })
const detailOf = (last: number): ShotDetail => {
  const shot = listedShot(last, {}, AT_14)
  return { ...shot, recipe: RECIPE_REVISION, revisions: [shot.current] }
}

async function reading(shot: () => Said, listed: ReturnType<typeof listedShot>[] = []) {
  await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: houseOf() }),
    'GET /shots/*': shot,
    [`GET /shots?personId=${detailOf(5).personId}&before=${encodeURIComponent(detailOf(5).pulledAt)}&limit=20`]:
      () => ({
        body: { shots: listed, recipes: [RECIPE_REVISION], nextCursor: null },
      }),
    'PUT /shots/*': () => 'nothing',
  })
  const { result, end } = await inSetup(() => useShotReading(() => shotId(5)))
  await useDoor().load()
  await useAcademy().load()
  await settled()
  return { ...result, end }
}

test('a shot that the server has is read against the recipe it was judged by', async () => {
  const { state, readings, diagnosis, isUnsent, end } = await reading(() => ({ body: detailOf(5) }))
  expect([state.value, isUnsent.value]).toEqual(['here', false])
  expect(readings.value?.flow.state).toBe('on')
  expect(diagnosis.value?.causes.length).toBeGreaterThan(0)
  end()
})

test.each<[string, () => Said]>([
  ['not-there', () => refusal('not-found', 404)],
  ['call-first', () => refusal('call-first', 409)],
  ['away', () => 'nothing'],
])('%s is told as what it is', async (expected, said) => {
  const { state, readings, end } = await reading(said)
  expect([state.value, readings.value]).toEqual([expected, null])
  end()
})

test('one that was not sent yet is read from this device, and says so', async () => {
  const { state, readings, isUnsent, end } = await reading(() => refusal('not-found', 404))
  await useOutbox().addShot(shotId(5), { ...shotBy(ODALYS), recipeRevisionId: RECIPE, facts: AT_14 })
  await settled()
  expect([state.value, isUnsent.value, readings.value?.flow.state]).toEqual(['here', true, 'on'])
  end()
})

test('of the person’s other shots those at the same setting before it in this session are read with it', async () => {
  const same = listedShot(3, {}, AT_14)
  const later = listedShot(7, {}, AT_14)
  const otherSetting = listedShot(2, {}, carefulShot({}, { grindSetting: 11 }))
  const yesterday = listedShot(1, { pulledAt: '2026-01-01T09:00:00.000Z' }, AT_14)
  const { before, end } = await reading(() => ({ body: detailOf(5) }), [later, same, otherSetting, yesterday])
  expect(before.value.map(({ shot }) => shot.shotId)).toEqual([shotId(3)])
  end()
})
