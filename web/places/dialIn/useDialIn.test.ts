import type { GrindSeenOn, TodayGrinder } from '@calm-apron/contract'
import { carefulShot } from '@calm-apron/core/testing'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { useDrafts } from '../../shot/draft/drafts.ts'
import { IDA, ODALYS, doorsWith, freshDevice, sessionOf, settled } from '../../testing/device.ts'
import {
  BAG,
  COFFEE,
  GRINDER,
  RECIPE,
  RECIPE_REVISION,
  TRAINING,
  barOf,
  houseOf,
  listedShot,
  startedWith,
} from '../../testing/house.ts'
import { inSetup } from '../../testing/inSetup.ts'
import { useTrainings } from '../../shot/training/trainings.ts'
import { dialInGrinder } from '../../shot/grind/dialInWish.ts'
import { useDialIn } from './useDialIn.ts'

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
  return tabletKnowing([], ...shots)
}

/** The same, with what the grinder did before. */
async function tabletKnowing(seen: readonly GrindSeenOn[], ...shots: ReturnType<typeof listedShot>[]) {
  const device = await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: houseOf() }),
    'GET /trainings': () => ({ body: { trainings: [{ trainingId: TRAINING, events: [startedWith()] }] } }),
  })
  const list = { body: { shots, recipes: [RECIPE_REVISION], nextCursor: null } }
  device.says[`GET /shots?trainingId=${TRAINING}&limit=100`] = () => list
  device.says[
    `GET /prepared/${GRINDER}/grind-history?recipeRevisionId=${RECIPE}&exceptTrainingId=${TRAINING}`
  ] = () => ({ body: { seen } })
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
    texts: { grindSetting: String(advice?.setting), predictedS: '26' },
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

const before = (setting: number, timeS: number): GrindSeenOn => ({
  pulledOn: '2026-11-25',
  coffeeId: COFFEE,
  basketId: null,
  setting,
  innerBurrAt: null,
  doseG: 18,
  timeS,
  bound: null,
  shiftLn: 0,
  spreadLn: 0,
  isDialIn: true,
})

test('what this grinder did before with this coffee is where it starts, and the way back', async () => {
  const { dialIn, end } = await tabletKnowing([before(13, 28), before(13, 28.3)])
  expect(dialIn.advice.value).toMatchObject({ step: 'start', setting: 13, why: ['same-coffee-before'] })
  expect(dialIn.ofBag.value).toEqual([])
  end()
})

test('practice beside the dial-in is history of today, and neither confirms nor moves it', async () => {
  const practice = pulled(3, 14, 22, { purpose: 'practice', personId: IDA })
  const { dialIn, end } = await tabletWith(practice, pulled(2, 14, 28))
  expect(dialIn.sessionShots.value).toHaveLength(1)
  expect(dialIn.advice.value?.step).toBe('confirm')
  end()
})

test('between two steps what is meant instead of the recipe goes with the next shot, and into the lock', async () => {
  const facts = (setting: number, stopS: number) =>
    carefulShot({ stopS, cupG: 38 }, { grindSetting: setting, wanted: { doseG: null, yieldG: 38 } })
  const at38 = listedShot(1, { purpose: 'dial-in' }, facts(14, 28))
  const { dialIn, end } = await tabletWith(at38)
  expect(dialIn.advice.value).toMatchObject({ step: 'confirm', setting: 14, yieldG: 38 })
  await dialIn.pull('')
  const drafts = useDrafts()
  await drafts.reload()
  expect(drafts.drafts[0]).toMatchObject({ wanted: { doseG: null, yieldG: 38 } })
  await dialIn.lock()
  expect(useTrainings().stateOf(TRAINING)?.lock).toMatchObject({ doseG: 18, yieldG: 38 })
  end()
})
