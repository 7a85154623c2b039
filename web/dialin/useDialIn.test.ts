import type { TodayGrinder } from '@calm-apron/contract'
import { carefulShot } from '@calm-apron/core/testing'
import { useAcademy } from '../store/academy.ts'
import { useDoor } from '../store/door.ts'
import { useDrafts } from '../store/drafts.ts'
import { IDA, ODALYS, doorsWith, freshDevice, sessionOf, settled } from '../store/testing/device.ts'
import {
  BAG,
  GRINDER,
  RECIPE,
  RECIPE_REVISION,
  TRAINING,
  barOf,
  houseOf,
  listedShot,
  startedWith,
} from '../store/testing/house.ts'
import { inSetup } from '../testing/inSetup.ts'
import { useTrainings } from '../training/trainings.ts'
import { dialInGrinder, useDialIn } from './useDialIn.ts'

const [grinder] = barOf().grinders as [TodayGrinder]

test('a grinder is dialled in with where its burrs touch', () => {
  expect(dialInGrinder({ ...grinder, touchingAt: 3 })).toMatchObject({ minSetting: 0, touchingAt: 3 })
})

const pulled = (
  last: number,
  grindSetting: number,
  stopS: number,
  also: Parameters<typeof listedShot>[1] = {},
) => listedShot(last, { purpose: 'dial-in', ...also }, carefulShot({ stopS }, { grindSetting }))

/** A trainer dialling in, with these shots behind them, the newest first as the server lists them. */
async function tabletWith(...shots: ReturnType<typeof listedShot>[]) {
  const device = await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: houseOf() }),
    'GET /trainings': () => ({ body: { trainings: [{ trainingId: TRAINING, events: [startedWith()] }] } }),
  })
  const list = { body: { shots, recipes: [RECIPE_REVISION], nextCursor: null } }
  device.says[`GET /shots?trainingId=${TRAINING}&limit=100`] = () => list
  device.says[`GET /shots?grinderId=${GRINDER}&limit=80`] = () => list
  const { result: dialIn, end, went } = await inSetup(() => useDialIn(() => TRAINING))
  await useDoor().load()
  await useAcademy().load()
  await settled()
  return { dialIn, end, went }
}

test('with no history it starts in the middle of the scale, and says that this is only a start', async () => {
  const { dialIn, end } = await tabletWith()
  expect(dialIn.advice.value).toMatchObject({ setting: 20 })
  expect(dialIn.best.value).toBeNull()
  end()
})

test('a fast shot asks for a finer setting, with a time to expect and the band it may fall in', async () => {
  const { dialIn, end } = await tabletWith(pulled(1, 20, 17))
  const advice = dialIn.advice.value
  expect(advice?.setting).toBeLessThan(20)
  expect(advice?.predicted.s).toBeGreaterThan(17)
  expect(dialIn.fit.value?.line.length).toBeGreaterThan(1)
  end()
})

test('the best so far is the one nearest to the middle of the window, of those whose gate let them speak', async () => {
  const heavy = listedShot(
    3,
    { purpose: 'dial-in' },
    carefulShot({ doseG: 19.2, stopS: 28 }, { grindSetting: 12 }),
  )
  const { dialIn, end } = await tabletWith(heavy, pulled(2, 15, 25.5), pulled(1, 20, 18))
  expect(dialIn.best.value).toMatchObject({ setting: 15 })
  end()
})

test('the next shot is a trainer’s, for dialling in, at the advised setting, with both predictions', async () => {
  const { dialIn, end } = await tabletWith(pulled(1, 20, 17))
  const advice = dialIn.advice.value
  await dialIn.pull('26')
  const drafts = useDrafts()
  await drafts.reload()
  expect(drafts.drafts[0]).toMatchObject({
    personId: ODALYS,
    purpose: 'dial-in',
    isCallAsked: false,
    grindText: String(advice?.setting),
    extra: { prediction: '26' },
    noted: { predicted: { byToolS: Math.round((advice?.predicted.s ?? 0) * 10) / 10 } },
  })
  end()
})

test('a lock keeps what it was found with, and what it cost', async () => {
  const { dialIn, end } = await tabletWith(pulled(2, 14, 28), pulled(1, 20, 18))
  await dialIn.lock()
  const lock = useTrainings().stateOf(TRAINING)?.lock
  expect(lock).toMatchObject({
    by: ODALYS,
    grinderId: GRINDER,
    bagId: BAG,
    recipeRevisionId: RECIPE,
    setting: dialIn.advice.value?.setting,
    shots: 2,
    recheck: [],
  })
  // Two shots of 18 g, and at 30 a kilogram what they and their purges cost.
  expect(lock?.grams).toBeGreaterThanOrEqual(36)
  expect(lock?.money).toBeCloseTo(((lock?.grams ?? 0) * 30) / 1000, 2)
  end()
})

test('another training’s shots teach the slope, and are not this one’s', async () => {
  const { dialIn, end } = await tabletWith(pulled(1, 20, 18, { trainingId: null, personId: IDA }))
  expect(dialIn.sessionListed.value).toEqual([])
  expect(dialIn.sessionShots.value).toEqual([])
  end()
})
