import type { TodayBasket } from '@calm-apron/contract'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { ODALYS, doorsWith, freshDevice, sessionOf, settled } from '../../testing/device.ts'
import {
  BAG,
  DRAFT,
  GRINDER,
  MACHINE,
  RECIPE,
  RECIPE_REVISION,
  TRAINING,
  barOf,
  eventOf,
  houseOf,
  startedWith,
} from '../../testing/house.ts'
import { inSetup } from '../../testing/inSetup.ts'
import { useTrainings } from '../training/trainings.ts'
import type { ShotDraft } from '../draft/shotDraft.ts'
import { useReadyNotes } from './useReadyNotes.ts'

const [SINGLE, DOUBLE] = ['019a5c00-0000-7015-8000-000000000001', '019a5c00-0000-7015-8000-000000000002']
const basket = (basketId: string, name: string): TodayBasket => ({
  basketId,
  name,
  size: 'double',
  nominalG: 18,
  diameterMm: 58,
  wall: 'single-wall',
  hasLine: false,
})
const lock = {
  grinderId: GRINDER,
  bagId: BAG,
  recipeRevisionId: RECIPE,
  setting: 14,
  doseG: 18,
  basketId: null,
  innerBurrAt: null,
  shots: 3,
  grams: 60,
  money: null,
}

/** What a trainer reads before grinding, in a training whose grind is locked at 14. */
const at = (setting: string) => ({ texts: { ...DRAFT.texts, grindSetting: setting } })

async function notesOf(also: Partial<ShotDraft>, keeper: string | null = null): Promise<string[]> {
  const bar = barOf({ baskets: [basket(SINGLE, 'Small one'), basket(DOUBLE, 'Big one')] })
  const [machine] = bar.machines
  if (machine) machine.groups = machine.groups.map((group) => ({ ...group, basketId: SINGLE }))
  const [grinder] = bar.grinders
  if (!grinder) throw new Error('The house has one.')
  grinder.lock = keeper === null ? null : { personId: keeper, reason: 'new burrs' }
  const locked = eventOf(2, '2026-11-26T09:10:00.000Z', { kind: 'locked', lock })
  await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: houseOf({ bars: [bar] }) }),
    'GET /trainings': () => ({
      body: { trainings: [{ trainingId: TRAINING, events: [startedWith(), locked] }] },
    }),
  })
  const draft = { ...DRAFT, grinderId: GRINDER, trainingId: TRAINING, ...at('14'), ...also }
  const recipe = RECIPE_REVISION
  const { result, end } = await inSetup(() => ({
    notes: useReadyNotes(() => ({ draft, recipe, grinder, basket: bar.baskets[1] ?? null })),
    trainings: useTrainings(),
  }))
  await useDoor().load()
  await useAcademy().load()
  await settled()
  const said = result.notes.value
  end()
  return said
}

test('at the locked setting, with its own basket, there is nothing to say', async () => {
  expect(await notesOf({})).toEqual([])
})

test('a setting that leaves the lock is said at the next shot; a dial-in is meant to', async () => {
  expect(await notesOf(at('15'))).toEqual([expect.stringMatching(/^Locked at 14 .* this is 15/)])
  expect(await notesOf({ ...at('15'), purpose: 'dial-in' })).toEqual([])
})

test('only its keeper changes this grinder, and whoever is the keeper knows', async () => {
  expect(await notesOf({}, 'someone else')).toEqual([expect.stringContaining('new burrs')])
  expect(await notesOf({}, ODALYS)).toEqual([])
})

test('a basket for another recipe in the group, and what is meant instead of the recipe, are said', async () => {
  const here = { machineId: MACHINE, groupNo: 0 }
  expect(await notesOf(here)).toEqual(['The recipe is for the Big one; in this group is the Small one.'])
  expect(await notesOf({ wanted: { doseG: null, yieldG: 38 } })).toEqual([
    expect.stringMatching(/^Found by dialling in/),
  ])
})
