import type { Today } from '@calm-apron/contract'
import { carefulShot, taste } from '@calm-apron/core/testing'
import { useAcademy } from '../store/academy.ts'
import { useDoor } from '../store/door.ts'
import { IDA, ODALYS, doorsWith, freshDevice, sessionOf, settled } from '../store/testing/device.ts'
import { BAG, MACHINE, barOf, coffeeOf, houseOf, listedShot } from '../store/testing/house.ts'
import { inSetup } from '../testing/inSetup.ts'
import { useShotContext } from './useShotContext.ts'

async function contexts(house: Partial<Today> = {}) {
  await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: houseOf(house) }),
  })
  const { result, end } = await inSetup(() => useShotContext())
  await useDoor().load()
  await useAcademy().load()
  await settled()
  return { contextOf: result, end }
}
const TASTED = taste(3, 7, 3)
const shotOf = (also: Parameters<typeof listedShot>[1] = {}) => listedShot(5, also, carefulShot())
const judgedBy = (personId: string | null) => {
  const shot = shotOf()
  return { ...shot, current: { ...shot.current, judgedBy: personId } }
}

describe('whose tongue', () => {
  test.each([
    ['a trainer noted it', judgedBy(ODALYS), 'trusted'],
    ['a trainee noted it', judgedBy(IDA), 'learning'],
    ['it was noted before people signed in', judgedBy(null), 'trusted'],
    ['a trainer’s slip', { ...judgedBy(IDA), tasted: { trainee: TASTED, trainer: TASTED } }, 'trusted'],
    [
      'a trainee’s slip alone',
      { ...judgedBy(ODALYS), personId: IDA, tasted: { trainee: TASTED, trainer: null } },
      'learning',
    ],
    [
      'a trainer pulled and tasted',
      { ...judgedBy(IDA), personId: ODALYS, tasted: { trainee: TASTED, trainer: null } },
      'trusted',
    ],
  ] as const)('%s', async (_name, shot, tongue) => {
    const { contextOf, end } = await contexts()
    expect(contextOf(shot).tongue).toBe(tongue)
    end()
  })
})

test('the machine at its group: lever or not, its valve, its basket, and how long it was on', async () => {
  const bar = barOf()
  const [machine] = bar.machines
  if (machine === undefined) throw new Error('the example room has a machine')
  const basketId = '019a5c00-0000-7011-8000-000000000001'
  const [group] = machine.groups
  if (group === undefined) throw new Error('the example machine has a group')
  const bars = [
    barOf({
      machines: [
        {
          ...machine,
          kind: 'lever',
          hasReleaseValve: false,
          switchedOnAt: '2026-11-26T08:50:00.000Z',
          groups: [{ ...group, basketId }],
        },
      ],
      baskets: [
        {
          basketId,
          name: 'Single',
          size: 'single',
          nominalG: 9,
          diameterMm: 58,
          wall: 'single-wall',
          hasLine: false,
        },
      ],
    }),
  ]
  const { contextOf, end } = await contexts({ bars })
  const there = { machineId: MACHINE, groupNo: 0 }
  expect(contextOf(shotOf({ ...there, pulledAt: '2026-11-26T09:00:00.000Z' }))).toMatchObject({
    machine: { isLever: true, hasReleaseValve: false },
    basketNominalG: 9,
    warmUp: { minutesOn: 10, minutesNeeded: 25 },
  })
  // It was switched on after this one.
  expect(contextOf(shotOf({ ...there, pulledAt: '2026-11-26T08:00:00.000Z' })).warmUp).toBeNull()
  expect(contextOf(shotOf())).toMatchObject({ machine: null, basketNominalG: null, warmUp: null })
  end()
})

test.each([
  ['dark', true],
  ['medium', false],
  [null, null],
] as const)('a coffee whose roast is said to be %s', async (roastLevel, isRoastDark) => {
  const { contextOf, end } = await contexts({ coffees: [coffeeOf({ roastLevel })] })
  expect(contextOf(shotOf({ bagId: BAG })).isRoastDark).toBe(isRoastDark)
  end()
})
