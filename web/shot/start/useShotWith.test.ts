import type { TodayRoutine } from '@calm-apron/contract'
import { shippedStep } from '@calm-apron/core'
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

async function shotWithIn(bars: ReturnType<typeof barOf>[], routines: TodayRoutine[] = []) {
  await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: houseOf({ bars, routines }) }),
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

test('the routine that was chosen goes on where it suits the machine, and nowhere else', async () => {
  const [first, other, lever] = [1, 2, 3].map((n) => `019a5c00-0000-7008-8000-00000000000${n}`)
  const routine = (routineId = '', key: 'start' | 'raise-lever' = 'start') => ({
    routineId,
    name: routineId,
    isOrderEnforced: false,
    steps: [shippedStep(key)],
  })
  const routines = [routine(first), routine(other), routine(lever, 'raise-lever')]
  const { with: pulled, end } = await shotWithIn([barOf()], routines)
  expect(pulled.routineAt(MACHINE)).toBe(first)
  pulled.choose('routineId', other ?? '')
  expect([pulled.routineAt(MACHINE), pulled.shotWith.value?.routineId]).toEqual([other, other])
  pulled.choose('routineId', lever ?? '')
  expect(pulled.routineAt(MACHINE)).toBe(first)
  end()
})
