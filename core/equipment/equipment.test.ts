import { GRINDER } from '../testing/examples.ts'
import { finestAdvised, isClearOfTouching } from './fineEnd.ts'
import { roundSetting, settingAfterBurrMove, settingShown, settingTyped } from './grinder.ts'
import { type GroupSetting, checkGroup, warmUpLeft } from './machine.ts'
import { ROOM_PARTS, type RoomState, roomReadiness } from './room.ts'
import { filterDaysLeft, mineralsG } from './water.ts'

describe('warm-up', () => {
  const at = Date.parse('2026-11-26T09:00:00Z')

  test.each([
    [null, null],
    [at, 25],
    [at + 9000, 25],
    [at - 9.5 * 60_000, 16],
    [at - 60 * 60_000, 0],
  ])('switched on at %p, %p minutes are left', (switchedOnMs, left) => {
    expect(warmUpLeft(switchedOnMs, at, 25)).toBe(left)
  })
})

describe('basket, selector and buttons of a group', () => {
  const group = (part: Partial<GroupSetting>) =>
    checkGroup({ basketSize: 'double', selector: 'none', buttons: [], ...part }).map(({ code }) => code)
  const button = (suits: 'single' | 'double' | 'triple') => ({ name: suits, suits })

  test.each<[string, Partial<GroupSetting>, string[]]>([
    ['agree where there is nothing to set', {}, []],
    ['agree with one button for the basket', { buttons: [button('single'), button('double')] }, []],
    ['need a basket first', { basketSize: null, selector: 'double' }, ['no-basket']],
    [
      'part where the selector is for another',
      { basketSize: 'single', selector: 'double' },
      ['selector-against-basket'],
    ],
    ['take a triple for the selector’s larger size', { basketSize: 'triple', selector: 'double' }, []],
    ['part where no button suits', { buttons: [button('single')] }, ['no-button-for-basket']],
  ])('%s', (_, part, expected) => {
    expect(group(part)).toEqual(expected)
  })
})

describe('a grinder’s scale', () => {
  test.each([
    [3.25, 4, '3B'],
    [3, 4, '3A'],
    [3.999, 4, '4A'],
    [14.5, 0, '14.5'],
  ])('%d with %d letters between numbers reads %s', (setting, letters, shown) => {
    expect(settingShown(setting, letters)).toBe(shown)
  })

  test('a setting is read as it is printed, whatever the hand made of it', () => {
    expect(['3B', ' 3 b ', '3', '3.25', '3,25', '12d'].map((text) => settingTyped(text, 4))).toEqual([
      3.25, 3.25, 3, 3.25, 3.25, 12.75,
    ])
    expect(['3E', 'B', '3BB', '', '3B1'].map((text) => settingTyped(text, 4))).toEqual(Array(5).fill(null))
    expect(settingTyped('3B', 0)).toBeNull()
  })

  test('every setting that is shown is read as itself', () => {
    for (const letters of [2, 4, 5, 10])
      for (let step = 0; step < 12 * letters; step += 1) {
        const setting = roundSetting(step / letters)
        expect(settingTyped(settingShown(setting, letters), letters)).toBe(setting)
      }
  })

  test('an inner burr that was moved shifts earlier settings, or ends their history', () => {
    const burr = (at: number, settingsPerUnit: number | null) => ({ at, settingsPerUnit })
    expect(settingAfterBurrMove(14, burr(3, 6), burr(4, 6))).toBe(8)
    expect(settingAfterBurrMove(14, burr(3, 6), burr(3, 6))).toBe(14)
    expect(settingAfterBurrMove(14, burr(3, null), burr(4, null))).toBeNull()
  })

  test('settings at or past the touching point are never clear of it', () => {
    const lower = { ...GRINDER, touchingAt: 2 }
    const higher = { ...GRINDER, finerIs: 'higher', touchingAt: 80 } as const
    expect([isClearOfTouching(2, lower), isClearOfTouching(3, lower)]).toEqual([false, true])
    expect([isClearOfTouching(80, higher), isClearOfTouching(79, higher)]).toEqual([false, true])
    expect(isClearOfTouching(0, GRINDER)).toBe(true)
  })

  test.each([
    ['a step clear of where the burrs touch', { ...GRINDER, touchingAt: 2 }, [], 3],
    ['on the next mark, where they touch between two', { ...GRINDER, touchingAt: 2.5 }, [], 4],
    ['by the margin, where nobody knows', GRINDER, [], 2],
    ['by more on a long scale', { ...GRINDER, maxSetting: 100 }, [], 5],
    ['finer where it has run', GRINDER, [14, 1], 1],
    ['never where it ran past the touching point', { ...GRINDER, touchingAt: 2 }, [1], 3],
    ['where finer is higher', { ...GRINDER, finerIs: 'higher', touchingAt: 37 } as const, [], 36],
    ['where finer is higher and nobody knows', { ...GRINDER, finerIs: 'higher' } as const, [39], 39],
  ])('the finest setting that may be advised: %s', (_name, scale, ranAt, finest) => {
    expect(finestAdvised(scale, ranAt)).toBe(finest)
  })
})

describe('a room', () => {
  // The list holds each part once, so that the record has every one of them.
  const state = (lacking: string[]) =>
    Object.fromEntries(ROOM_PARTS.map((part) => [part, !lacking.includes(part)])) as RoomState

  test('is ready with all that a shot needs, whatever else it lacks', () => {
    expect(roomReadiness(state(['cup', 'scale', 'water', 'bench']))).toEqual({
      isReady: true,
      missing: [],
      later: ['cup', 'scale', 'water', 'bench'],
    })
  })

  test('names what is missing in the order in which one sees to it', () => {
    expect(roomReadiness(state([...ROOM_PARTS])).missing).toEqual([
      'machine',
      'group-basket',
      'grinder',
      'basket',
      'portafilter',
      'tamper',
      'recipe',
      'coffee',
    ])
  })
})

test('a filter runs out by its date, and minerals go by the litre', () => {
  expect(filterDaysLeft('2026-06-03', 180, '2026-11-26')).toBe(4)
  expect(filterDaysLeft('2026-01-01', 180, '2026-11-26')).toBeLessThan(0)
  expect(filterDaysLeft(null, 180, '2026-11-26')).toBeNull()
  expect(mineralsG(5, 120)).toBeCloseTo(0.6)
})
