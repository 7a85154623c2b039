import { useShotWith } from './useShotWith.ts'
import { BAG, BAR, GRINDER, MACHINE, barOf, houseOf } from '../../testing/house.ts'
import { ODALYS, doorsWith, freshDevice, sessionOf, settled } from '../../testing/device.ts'
import { inSetup } from '../../testing/inSetup.ts'

const LOFT = barOf({
  barId: '019a5c00-0000-7007-8000-000000000002',
  name: 'Sail loft',
  machines: [],
  grinders: [],
})

async function shotWithIn(bars: ReturnType<typeof barOf>[]) {
  await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: houseOf({ bars }) }),
  })
  const { useDoor } = await import('../../data/door/door.ts')
  const { useAcademy } = await import('../../data/academy/academy.ts')
  const { result, end, pinia } = await inSetup(() => ({
    with: useShotWith(),
    door: useDoor(),
    academy: useAcademy(),
  }))
  await result.door.load()
  await result.academy.load()
  await settled()
  return { ...result, end, pinia }
}

test('of what there is only one, nobody is asked; of two groups one is', async () => {
  const { with: pulled, end } = await shotWithIn([barOf()])
  expect(pulled.shotWith.value).toEqual({
    barId: BAR,
    machineId: MACHINE,
    groupNo: 0,
    grinderId: GRINDER,
    bagId: BAG,
    routineId: null,
  })
  expect(pulled.asked.value.map(({ part }) => part)).toEqual(['group'])
  expect(pulled.isChosen.value).toBe(false)
  end()
})

test('what was chosen here is meant the next time too; what is gone since is the first of its kind', async () => {
  const { with: pulled, end } = await shotWithIn([barOf(), LOFT])
  pulled.choose('group', `${MACHINE}:1`)
  pulled.keep()
  expect([pulled.shotWith.value?.groupNo, pulled.isChosen.value]).toEqual([1, true])
  pulled.choose('barId', LOFT.barId)
  expect(pulled.shotWith.value).toMatchObject({
    barId: LOFT.barId,
    machineId: null,
    groupNo: null,
    grinderId: null,
  })
  end()
})
