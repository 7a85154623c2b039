import { type BagContent, type CoffeeContent, frozenOf } from '@calm-apron/contract'
import { type BagLife, type Freshness, type FreshnessWindow, bagLife, coffeeAge } from '@calm-apron/core'

/** A bag on one date: its age, where that stands, and the dates of its life. Null where nobody knows when it was roasted. */
export interface BagOnDate {
  days: number
  freshness: Freshness
  life: BagLife
  isFrozen: boolean
}

export function bagOnDate(bag: BagContent, window: FreshnessWindow, onDate: string): BagOnDate | null {
  if (bag.roastedOn === null) return null
  const frozen = frozenOf(bag)
  const { days, freshness } = coffeeAge(bag.roastedOn, onDate, window, frozen)
  return {
    days,
    freshness,
    life: bagLife(bag.roastedOn, onDate, window, frozen),
    isFrozen: frozen !== null && frozen.frozenOn <= onDate && (frozen.thawedOn ?? '9999') > onDate,
  }
}

/** A bag that has just come in: sealed, of the size the coffee comes in. */
export function newBag({ bagG }: CoffeeContent, name: string): Record<string, unknown> {
  return {
    name,
    roastedOn: null,
    bestBefore: null,
    openedOn: null,
    finishedOn: null,
    keptIn: 'sealed',
    frozenOn: null,
    thawedOn: null,
    bagG: bagG ?? 1000,
    weighed: null,
  }
}
