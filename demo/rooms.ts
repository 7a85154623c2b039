import { type FileThing, type PreparedInput, type RoomKind, begunAs } from '@calm-apron/contract'
import { WARM_UP_MINUTES } from '@calm-apron/core'
import { demoId } from './ids.ts'

type Content<K extends RoomKind> = Extract<PreparedInput, { kind: K }>['content']

const QUAY = demoId('bar', 1)
const LOFT = demoId('bar', 2)

const room = (number: number, content: Extract<PreparedInput, { kind: 'bar' }>['content']): FileThing => ({
  preparedId: demoId('bar', number),
  thing: { kind: 'bar', parentId: null, content },
})

/** `thing` is widened to one kind's shape by its caller's type argument. */
const kit = <K extends RoomKind>(
  kind: K,
  number: number,
  parentId: string,
  content: Content<K>,
): FileThing => ({
  preparedId: demoId(kind, number),
  thing: { kind, parentId, content } as PreparedInput,
})

const grinder = (content: Partial<Content<'grinder'>> & { name: string }): Content<'grinder'> =>
  begunAs('grinder', { maxSetting: 40, ...content })

const vessel = (
  name: string,
  kind: Content<'vessel'>['kind'],
  emptyG: number,
  rest: Partial<Content<'vessel'>> = {},
): Content<'vessel'> => ({ name, kind, spouts: null, emptyG, emptyWithFunnelG: null, ...rest })

/** Two rooms, with a pump machine, a small single boiler and a lever, and what goes with each. */
export function demoRooms(now: Date): FileThing[] {
  return [...ROOMS, ...machines(now), ...GRINDERS, ...BASKETS, ...BENCH, ...scalesAndWater(now)]
}

const ROOMS = [
  room(1, {
    name: 'Quay room',
    lowDoseRule: 'discard',
    bench: [
      { what: 'Dry cloth, for the basket only', state: 'here', note: 'white' },
      { what: 'Damp cloth, for the wand only', state: 'here', note: 'blue edge' },
      { what: 'Knock box, emptied', state: 'here', note: '' },
      { what: 'Spoons and rinsing water', state: 'here', note: '' },
      { what: 'Spit cups', state: 'missing', note: 'last box went on Tuesday' },
      { what: 'Puck screens', state: 'on-order', note: 'two, for 58 mm' },
    ],
  }),
  room(2, {
    name: 'Sail loft',
    lowDoseRule: 'top-up',
    bench: [
      { what: 'Dry cloth, for the basket only', state: 'here', note: '' },
      { what: 'Damp cloth, for the wand only', state: 'missing', note: '' },
    ],
  }),
]

function machines(now: Date): FileThing[] {
  const minutesAgo = (minutes: number) => new Date(now.getTime() - minutes * 60_000).toISOString()
  return [
    kit('machine', 1, QUAY, {
      name: 'Two-group, quay side',
      kind: 'heat-exchange',
      warmUpMinutes: WARM_UP_MINUTES['heat-exchange'],
      setC: 93,
      switchedOnAt: minutesAgo(70),
      temperature: 'controlled',
      gauge: { fromBar: 8.5, toBar: 9.5 },
      preinfusion: 'automatic',
      startBy: 'button',
      stopBy: 'volume-counter',
      hasReleaseValve: true,
      isSelfFilling: true,
      groups: [
        {
          name: 'Group 1',
          basketId: demoId('basket', 1),
          selector: 'none',
          buttons: [
            { name: 'One cup', suits: 'single', ml: 28 },
            { name: 'Two cups', suits: 'double', ml: 58 },
          ],
        },
        {
          name: 'Group 2',
          basketId: demoId('basket', 2),
          selector: 'double',
          buttons: [{ name: 'Two cups', suits: 'double', ml: 58 }],
        },
      ],
    }),
    kit('machine', 2, LOFT, {
      name: 'Little one',
      kind: 'single-boiler',
      warmUpMinutes: WARM_UP_MINUTES['single-boiler'],
      setC: null,
      switchedOnAt: null,
      temperature: 'thermostat',
      gauge: null,
      preinfusion: 'none',
      startBy: 'button',
      stopBy: 'hand',
      hasReleaseValve: false,
      isSelfFilling: false,
      groups: [{ name: 'Group', basketId: demoId('basket', 6), selector: 'none', buttons: [] }],
    }),
    kit('machine', 3, LOFT, {
      name: 'Spring lever',
      kind: 'lever',
      warmUpMinutes: WARM_UP_MINUTES.lever,
      setC: null,
      switchedOnAt: minutesAgo(9),
      temperature: 'none',
      gauge: { fromBar: 6, toBar: 9 },
      preinfusion: 'held',
      startBy: 'lever',
      stopBy: 'hand',
      hasReleaseValve: false,
      isSelfFilling: false,
      groups: [{ name: 'Group', basketId: demoId('basket', 5), selector: 'none', buttons: [] }],
    }),
  ]
}

const GRINDERS = [
  kit(
    'grinder',
    1,
    QUAY,
    grinder({
      name: 'Quay grinder',
      touchingAt: 2,
      dosesBy: 'time',
      portions: [
        { seconds: 4, grams: 8.1, settingAt: 14 },
        { seconds: 6, grams: 12.9, settingAt: 14 },
        { seconds: 8, grams: 17.4, settingAt: 14 },
        { seconds: 8.5, grams: 18.7, settingAt: 14 },
      ],
      weighIns: [
        { beansInG: 18.4, groundsOutG: 18.2 },
        { beansInG: 18.4, groundsOutG: 18.3 },
      ],
      innerBurr: { at: 3, settingsPerUnit: 6 },
    }),
  ),
  kit(
    'grinder',
    2,
    LOFT,
    grinder({
      name: 'Loft single-doser',
      minSetting: 0,
      maxSetting: 12,
      settingStep: 0.25,
      lettersPerNumber: 4,
      finerIs: 'lower',
      touchingAt: 1,
      dosesBy: 'until-empty',
      purgeG: 1,
      lock: { personId: demoId('person', 7), reason: 'Set for the lever course until Friday' },
    }),
  ),
  kit(
    'grinder',
    3,
    LOFT,
    grinder({
      name: 'Old chamber grinder',
      minSetting: 0,
      maxSetting: 90,
      settingStep: 0.5,
      isStepless: true,
      finerIs: 'higher',
      onlyWhileRunning: true,
      dosesBy: 'chamber',
      purgeG: 8,
    }),
  ),
]

const BASKETS = (
  [
    ['Quay double', 'double', 18, 58, 'single-wall', QUAY],
    ['Quay single', 'single', 8, 58, 'single-wall', QUAY],
    ['Quay shallow', 'double', 15, 58, 'single-wall', QUAY],
    ['Quay large', 'triple', 20, 58, 'single-wall', QUAY],
    ['Lever double', 'double', 16, 53, 'single-wall', LOFT],
    ['Little pressurised', 'double', 14, 51, 'pressurised', LOFT],
  ] as const
).map(([name, size, nominalG, diameterMm, wall, bar], index) =>
  kit('basket', index + 1, bar, { name, size, nominalG, diameterMm, wall, hasLine: size === 'double' }),
)

const BENCH = [
  kit('vessel', 1, QUAY, vessel('Portafilter 1', 'portafilter', 586.4, { spouts: 'two' })),
  kit(
    'vessel',
    2,
    QUAY,
    vessel('Portafilter 2', 'portafilter', 591.2, { spouts: 'none', emptyWithFunnelG: 642.7 }),
  ),
  kit('vessel', 3, QUAY, vessel('Dosing cup', 'dosing-cup', 172.4)),
  kit('vessel', 4, QUAY, vessel('Tasting cup', 'cup', 118.6)),
  kit('vessel', 5, QUAY, vessel('Glass cup', 'cup', 87.3)),
  kit('vessel', 6, LOFT, vessel('Lever portafilter', 'portafilter', 478.9, { spouts: 'one' })),
  kit('vessel', 7, LOFT, vessel('Loft cup', 'cup', 121.8)),
  kit('tool', 1, QUAY, { name: 'Quay tamper', kind: 'tamper', diameterMm: 58.4 }),
  kit('tool', 2, QUAY, { name: 'Needle tool', kind: 'needle-tool', diameterMm: null }),
  kit('tool', 3, QUAY, { name: 'Dosing funnel', kind: 'funnel', diameterMm: 58 }),
  kit('tool', 4, LOFT, { name: 'Lever tamper', kind: 'tamper', diameterMm: 52.6 }),
]

function scalesAndWater(now: Date): FileThing[] {
  const daysAgo = (days: number) => new Date(now.getTime() - days * 86_400_000).toISOString().slice(0, 10)
  return [
    kit('scale', 1, QUAY, {
      name: 'Thin scale',
      resolutionG: 0.1,
      isThinEnough: true,
      checkWeighedOn: daysAgo(1),
    }),
    kit('scale', 2, LOFT, {
      name: 'Kitchen scale',
      resolutionG: 1,
      isThinEnough: false,
      checkWeighedOn: null,
    }),
    kit('water', 1, QUAY, {
      name: 'Quay tap, filtered',
      source: 'Town water through a softening filter',
      filterChangedOn: daysAgo(176),
      filterLastsDays: 180,
      hardnessDh: 5,
      batch: null,
    }),
    kit('water', 2, LOFT, {
      name: 'Loft canister',
      source: 'Distilled, minerals added',
      filterChangedOn: null,
      filterLastsDays: null,
      hardnessDh: 4,
      batch: { litres: 5, mgPerLitre: 120, packetLitres: null },
    }),
  ]
}
