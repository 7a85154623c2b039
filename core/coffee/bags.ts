import { type Freshness, type FreshnessWindow, type Frozen, bagLife, coffeeAge, daysBetween } from './age.ts'

/** Where a bag is kept; frozen airtight it does not age. */
export const KEPT_IN = ['hopper', 'sealed', 'freezer'] as const
export type KeptIn = (typeof KEPT_IN)[number]

/** Days for which an open bag keeps well: beans in a hopper lie in the air. Working values; in a freezer it waits. */
const OPEN_DAYS: Record<KeptIn, number> = { hopper: 7, sealed: 14, freezer: Infinity }

/** For how many days a bag has been open, where that is longer than it keeps well; null where it is not. */
export function openTooLong(
  { openedOn, keptIn }: Pick<BagState, 'openedOn' | 'keptIn'>,
  onDate: string,
): number | null {
  const days = openedOn === null ? 0 : daysBetween(openedOn, onDate)
  return days > OPEN_DAYS[keptIn] ? days : null
}

/** One bag as it stands; dates are calendar dates. `roastedOn` null: only a best-before is known, or nothing. */
export interface BagState {
  bagId: string
  roastedOn: string | null
  openedOn: string | null
  keptIn: KeptIn
  frozen: Frozen | null
  gramsLeft: number
}

/** What is left of a bag: its last weighing (or its full size) less what was ground since; never below 0. */
export function gramsLeft(lastWeighedG: number, groundSinceG: number): number {
  return Math.max(0, lastWeighedG - groundSinceG)
}

/** Whole shots that a bag still holds. */
export function shotsLeft(leftG: number, doseG: number): number {
  return doseG > 0 ? Math.floor(leftG / doseG + 1e-9) : 0
}

/** What a kg of a coffee costs, in whatever money its bag is priced in; null where the price or the size isn't known. */
export function pricePerKg(bagPrice: number | null, bagG: number | null): number | null {
  return costPerShot(bagPrice, bagG, 1000)
}

/** Money for the coffee in one shot; null where the price or the size isn't known. */
export function costPerShot(bagPrice: number | null, bagG: number | null, doseG: number): number | null {
  return bagPrice === null || !bagG ? null : (bagPrice / bagG) * doseG
}

const TURN: Record<Freshness, number> = { 'in-window': 0, fading: 1, 'too-fresh': 2, past: 3 }

/**
 * The unopened bag to open next: one in its window, the one that leaves it first; else a fading one, else the one that
 * is rested soonest. Bags of unknown age and frozen ones come last; null where nothing is left unopened.
 */
export function bagToOpen(
  bags: readonly BagState[],
  onDate: string,
  window: FreshnessWindow,
): BagState | null {
  const rank = (bag: BagState): [number, string] => {
    if (bag.roastedOn === null) return [4, '']
    if (bag.keptIn === 'freezer') return [5, bag.roastedOn]
    const { freshness } = coffeeAge(bag.roastedOn, onDate, window, bag.frozen)
    return [TURN[freshness], bagLife(bag.roastedOn, onDate, window, bag.frozen).bestUntil]
  }
  const unopened = bags.filter((bag) => bag.openedOn === null && bag.gramsLeft > 0)
  const [next = null] = unopened.toSorted((a, b) => {
    const [turnA, dateA] = rank(a)
    const [turnB, dateB] = rank(b)
    return turnA - turnB || dateA.localeCompare(dateB)
  })
  return next
}

/** Whether a coffee must be ordered now to be there, and rested, before it runs out. */
export interface OrderAdvice {
  isDue: boolean
  /** Days the stock lasts at the pace of late; null where nothing was used. */
  daysLeft: number | null
  /** Days from ordering until the new bag may be used. */
  leadDays: number
}

/**
 * @param gramsInStock of this coffee, over all bags
 * @param gramsPerDay used of late
 * @param deliveryDays from ordering until a bag roasted to order arrives
 */
export function orderAdvice(
  gramsInStock: number,
  gramsPerDay: number,
  deliveryDays: number,
  { restDays }: FreshnessWindow,
): OrderAdvice {
  const leadDays = deliveryDays + restDays
  const daysLeft = gramsPerDay > 0 ? gramsInStock / gramsPerDay : null
  return { isDue: daysLeft !== null && daysLeft <= leadDays, daysLeft, leadDays }
}
