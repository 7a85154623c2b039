import type { Seat, TrainingHappening } from '@calm-apron/core'
import { ref } from 'vue'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { useDrafts } from '../../shot/draft/drafts.ts'
import { IDA, ODALYS, doorsWith, freshDevice, sessionOf, settled } from '../../testing/device.ts'
import {
  BAG,
  GRINDER,
  RECIPE,
  RECIPE_REVISION,
  SETUP,
  TEO,
  TRAINING,
  eventOf,
  houseOf,
  listedShot,
  startedWith,
} from '../../testing/house.ts'
import { inSetup } from '../../testing/inSetup.ts'
import { useNextInTraining } from './useNextInTraining.ts'

const LOFT_GRINDER = '019a5c00-0000-7006-8000-000000000009'
const LOCKED: TrainingHappening = {
  kind: 'locked',
  lock: {
    grinderId: GRINDER,
    bagId: BAG,
    recipeRevisionId: RECIPE,
    setting: 11,
    doseG: 18,
    basketId: null,
    innerBurrAt: null,
    shots: 4,
    grams: 72,
    money: null,
  },
}

/** Ida's shot on the training's grinder is read, and Teo is next at her group. */
async function goOnWith(teosOwn: Seat['with'], ...happenings: TrainingHappening[]) {
  const seats = SETUP.seats.map((seat) => ({
    ...seat,
    groupNo: 0,
    ...(seat.personId === TEO && teosOwn !== undefined && { with: teosOwn }),
  }))
  const events = [
    startedWith({ ...SETUP, seats }),
    ...happenings.map((each, index) => eventOf(2 + index, '2026-11-26T09:10:00.000Z', each)),
  ]
  const shot = listedShot(1, { personId: IDA, machineId: SETUP.seats[0]?.machineId ?? null, groupNo: 0 })
  const device = await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: houseOf() }),
    'GET /trainings': () => ({ body: { trainings: [{ trainingId: TRAINING, events }] } }),
  })
  device.says[`GET /shots?trainingId=${TRAINING}&limit=100`] = () => ({
    body: { shots: [shot], recipes: [RECIPE_REVISION], nextCursor: null },
  })
  const detail = { ...shot, recipe: RECIPE_REVISION, revisions: [] }
  const { result: next, end } = await inSetup(() => useNextInTraining(() => detail, ref('14')))
  await useDoor().load()
  await useAcademy().load()
  await settled()
  expect(next.seat.value?.personId).toBe(TEO)
  await next.begin()
  const drafts = useDrafts()
  await drafts.reload()
  const [draft] = drafts.drafts
  end()
  return [draft?.grinderId, draft?.texts.grindSetting]
}

test('the next one at the same grinder goes on with the setting that the reading asks for', async () => {
  expect(await goOnWith(undefined)).toEqual([GRINDER, '14'])
})

test('a locked setting comes before it', async () => {
  expect(await goOnWith(undefined, LOCKED)).toEqual([GRINDER, '11'])
})

test('whoever grinds on another grinder, or by another recipe, is told no setting that was found here', async () => {
  expect(await goOnWith({ grinderId: LOFT_GRINDER })).toEqual([LOFT_GRINDER, ''])
  expect(await goOnWith({ grinderId: LOFT_GRINDER }, LOCKED)).toEqual([LOFT_GRINDER, ''])
})
