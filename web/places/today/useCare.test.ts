import { dateAfter, dateInZone } from '@calm-apron/core'
import type { Today } from '@calm-apron/contract'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { ACADEMY, ODALYS, doorsWith, freshDevice, sessionOf, settled } from '../../testing/device.ts'
import { bagOf, barOf, coffeeOf, houseOf } from '../../testing/house.ts'
import { inSetup } from '../../testing/inSetup.ts'
import { useCare } from './useCare.ts'

// By the calendar: between summer and winter there is a day of 25 hours.
const daysAgo = (days: number) => dateAfter(dateInZone(new Date(), ACADEMY.timeZone), -days)
const minutesAgo = (minutes: number) => new Date(Date.now() - minutes * 60_000).toISOString()
const rested = { roastedOn: daysAgo(10), openedOn: daysAgo(2) }

/** What is said to need care in such a house. */
async function caresIn(today: Partial<Today>): Promise<string[]> {
  await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: houseOf({ coffees: [], bars: [], ...today }) }),
  })
  const { result, end } = await inSetup(() => useCare())
  await useDoor().load()
  await useAcademy().load()
  await settled()
  const says = result.value.map((care) => care.says)
  end()
  return says
}

test('a house in order needs nothing', async () => {
  expect(await caresIn({ coffees: [coffeeOf({ bags: [bagOf(rested)] })], bars: [barOf()] })).toEqual([])
})

test.each([
  ['too fresh', { roastedOn: daysAgo(2), openedOn: daysAgo(1) }, /until/],
  ['past its time', { roastedOn: daysAgo(60), openedOn: daysAgo(5) }, /past/i],
  ['open for long in a hopper', { roastedOn: daysAgo(12), openedOn: daysAgo(8) }, /open for 8 days/],
  ['nearly empty', { ...rested, leftG: 60 }, /60\.0 g/],
])('an open bag that is %s is named', async (_what, bag, words) => {
  const says = await caresIn({ coffees: [coffeeOf({ bags: [bagOf(bag)] })] })
  expect(says).toHaveLength(1)
  expect(says[0]).toMatch(/Grey Gull.+Bag 7/)
  expect(says[0]).toMatch(words)
})

test.each([
  ['a sealed bag that rests', { roastedOn: daysAgo(2), openedOn: null }],
  ['a frozen one', { roastedOn: daysAgo(60), openedOn: daysAgo(50), frozenOn: daysAgo(50) }],
  ['a full one', rested],
  ['one that was sealed again', { roastedOn: daysAgo(14), openedOn: daysAgo(8), keptIn: 'sealed' as const }],
])('%s is in nobody’s way', async (_what, bag) => {
  expect(await caresIn({ coffees: [coffeeOf({ bags: [bagOf(bag)] })] })).toEqual([])
})

test('coffee is ordered while what is there lasts until it has come and rested', async () => {
  const bags = [bagOf({ ...rested, leftG: 300 })]
  expect(await caresIn({ coffees: [coffeeOf({ bags, gramsPerDay: 10 })] })).toEqual([])
  const [says = ''] = await caresIn({ coffees: [coffeeOf({ bags, gramsPerDay: 100 })] })
  expect(says).toMatch(/Grey Gull.+3 days/)
})

test.each([
  [100, 90, /overdue|10 days/],
  [85, 90, /5 more days/],
])('a filter changed %d days ago that lasts %d says so', async (changed, lasts, words) => {
  const water = {
    waterId: '019a5c00-0000-7012-8000-000000000001',
    name: 'Quay tap',
    source: '',
    filterChangedOn: daysAgo(changed),
    filterLastsDays: lasts,
    hardnessDh: null,
    batch: null,
  }
  const [says = ''] = await caresIn({ bars: [barOf({ waters: [water] })] })
  expect(says).toMatch(/Quay tap/)
  expect(says).toMatch(words)
})

test('a machine that warms up says how long it will be, and none once it is hot or off', async () => {
  const barWith = (switchedOnAt: string | null) =>
    barOf({ machines: barOf().machines.map((machine) => ({ ...machine, switchedOnAt })) })
  const [says = ''] = await caresIn({ bars: [barWith(minutesAgo(20))] })
  expect(says).toMatch(/Two-group.+5 minutes/)
  expect(await caresIn({ bars: [barWith(minutesAgo(30))] })).toEqual([])
  expect(await caresIn({ bars: [barWith(null)] })).toEqual([])
})

test('what is missing from the bench is named, in one line a room', async () => {
  const bench = [
    { what: 'Dry cloth', state: 'here' as const, note: '' },
    { what: 'Spit cups', state: 'missing' as const, note: '' },
    { what: 'Puck screens', state: 'on-order' as const, note: '' },
  ]
  const says = await caresIn({ bars: [barOf({ bench })] })
  expect(says).toHaveLength(1)
  expect(says[0]).toMatch(/Quay room.+Spit cups, Puck screens/)
})
