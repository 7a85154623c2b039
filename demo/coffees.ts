import type { BagContent, CoffeeContent, FileThing } from '@calm-apron/contract'
import { FRESHNESS_WINDOWS, type FreshnessPreset } from '@calm-apron/core'
import { demoId } from './ids.ts'

const MS_PER_DAY = 86_400_000

interface WrittenBag extends Partial<Omit<BagContent, 'roastedOn' | 'openedOn' | 'frozenOn'>> {
  roasted: number | null
  opened?: number
  frozen?: number
}

interface Written extends Partial<Omit<CoffeeContent, 'freshness'>> {
  name: string
  window: FreshnessPreset
  /** Days ago. */
  bags: WrittenBag[]
}

/** Eight coffees whose bags are too fresh, right, fading, past, frozen and of unknown age. */
const WRITTEN: Written[] = [
  {
    name: 'Lantern Row',
    origin: 'Three hill farms, blended',
    process: 'washed',
    roastLevel: 'medium',
    bagWords: 'cocoa, dried pear, brown sugar',
    bagPrice: 27,
    window: 'usual',
    bags: [
      { roasted: 11, opened: 6 },
      { roasted: 3, keptIn: 'sealed' },
    ],
  },
  {
    name: 'Kelp Bank',
    origin: 'A cooperative in the Verrin valley',
    process: 'natural',
    roastLevel: 'medium-light',
    bagWords: 'red berries, honey',
    bagPrice: 31,
    window: 'late',
    bags: [{ roasted: 2, keptIn: 'sealed' }],
  },
  {
    name: 'Mooring No. 4',
    origin: 'Single estate, Alta Corva',
    process: 'washed',
    roastLevel: 'light',
    bagWords: 'lemon, jasmine, tea',
    bagG: 250,
    bagPrice: 11.5,
    window: 'late',
    bags: [
      { roasted: 20, opened: 5, bagG: 250, keptIn: 'sealed' },
      { roasted: 41, frozen: 34, bagG: 250, keptIn: 'freezer' },
    ],
  },
  {
    name: 'Ropewalk',
    origin: 'Lowland blend',
    process: 'natural and washed',
    roastLevel: 'dark',
    bagWords: 'roasted nuts, bitter chocolate',
    bagPrice: 19,
    window: 'early',
    bags: [{ roasted: 19, opened: 12, keptIn: 'hopper' }],
  },
  {
    name: 'Grey Gull',
    origin: 'Highland lots of one harvest',
    process: 'honey',
    roastLevel: 'medium',
    bagWords: 'malt, apricot',
    bagPrice: 26,
    window: 'usual',
    bags: [{ roasted: 52, opened: 40, keptIn: 'sealed' }],
  },
  {
    name: 'Night Watch',
    origin: 'Decaffeinated with water',
    process: 'washed',
    roastLevel: 'medium-dark',
    bagWords: 'malt, mild',
    bagG: 500,
    bagPrice: 17,
    window: 'early',
    bags: [{ roasted: 9, opened: 3, bagG: 500, keptIn: 'sealed' }],
  },
  {
    name: 'Salt Pans',
    origin: 'Not told by the seller',
    process: '',
    roastLevel: 'medium-dark',
    bagWords: 'strong',
    bagPrice: 14,
    window: 'usual',
    bags: [{ roasted: null, keptIn: 'sealed' }],
  },
  {
    name: 'Fog Bell',
    origin: 'Two farms on the north slope',
    process: 'washed',
    roastLevel: 'medium-light',
    bagWords: 'plum, black tea',
    bagPrice: 29,
    window: 'usual',
    bags: [],
  },
]

/** The coffees as they would stand at `now`. */
export function demoCoffees(now: Date): FileThing[] {
  const date = (daysAgo: number) => new Date(now.getTime() - daysAgo * MS_PER_DAY).toISOString().slice(0, 10)
  let bagNo = 0
  return WRITTEN.flatMap(({ bags, window, name, ...rest }, index): FileThing[] => {
    const coffeeId = demoId('coffee', index + 1)
    const content: CoffeeContent = {
      name,
      roaster: 'Saltgate Roastery',
      origin: '',
      process: '',
      roastLevel: null,
      isForEspresso: null,
      bagWords: '',
      bagG: 1000,
      bagPrice: null,
      deliveryDays: 4,
      density: null,
      freshness: FRESHNESS_WINDOWS[window],
      ...rest,
    }
    return [
      { preparedId: coffeeId, thing: { kind: 'coffee', parentId: null, content } },
      ...bags.map(({ roasted, opened, frozen, ...bag }): FileThing => {
        bagNo += 1
        return {
          preparedId: demoId('bag', bagNo),
          thing: {
            kind: 'bag',
            parentId: coffeeId,
            content: {
              name: `Bag ${bagNo}`,
              roastedOn: roasted === null ? null : date(roasted),
              bestBefore: roasted === null ? date(-200) : null,
              openedOn: opened === undefined ? null : date(opened),
              finishedOn: null,
              keptIn: 'hopper',
              frozenOn: frozen === undefined ? null : date(frozen),
              thawedOn: null,
              bagG: 1000,
              weighed: null,
              ...bag,
            },
          },
        }
      }),
    ]
  })
}
