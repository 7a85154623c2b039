import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { ODALYS, doorsWith, freshDevice, sessionOf, settled } from '../../testing/device.ts'
import { BAG, GRINDER, RECIPE, SETUP, TRAINING, eventOf, houseOf, startedWith } from '../../testing/house.ts'
import { inSetup } from '../../testing/inSetup.ts'
import { useTrainings } from '../../shot/training/trainings.ts'
import { useOtherLocks } from './useOtherLocks.ts'

const OTHER = '019a5c00-0000-7116-8000-000000000001'
const ANOTHER_BAG = '019a5c00-0000-7116-8000-000000000002'
const lockFor = (bagId: string) => ({
  grinderId: GRINDER,
  bagId,
  recipeRevisionId: RECIPE,
  setting: 11,
  doseG: 18,
  basketId: null,
  innerBurrAt: null,
  shots: 3,
  grams: 60,
  money: null,
})

/** What a training is warned of beside another, on the same grinder, that was locked for this bag. */
async function warnedBeside(bagId: string) {
  const locked = { ...eventOf(2, '2026-11-26T09:10:00.000Z', { kind: 'locked', lock: lockFor(bagId) }) }
  const started = { ...startedWith({ ...SETUP, bagId }), eventId: '019a5c00-0000-7116-8000-000000000003' }
  await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: houseOf() }),
    'GET /trainings': () => ({
      body: {
        trainings: [
          { trainingId: TRAINING, events: [startedWith()] },
          { trainingId: OTHER, events: [started, locked] },
        ],
      },
    }),
  })
  const { result, end } = await inSetup(() => ({
    locks: useOtherLocks(() => TRAINING),
    trainings: useTrainings(),
  }))
  await useDoor().load()
  await useAcademy().load()
  await settled()
  const said = result.locks.value
  end()
  return said
}

test('two recipes or coffees on one grinder: moving it for one breaks what was locked for the other', async () => {
  expect(await warnedBeside(ANOTHER_BAG)).toEqual([
    { trainingId: OTHER, setting: 11, what: expect.stringMatching(/\S/) },
  ])
})

test('the same coffee by the same recipe is no other lock', async () => {
  expect(await warnedBeside(BAG)).toEqual([])
})
