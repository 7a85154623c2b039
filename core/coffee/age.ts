/** Days after roasting: rest until, best until, usable until. */
export interface FreshnessWindow {
  restDays: number
  bestUntilDays: number
  usableUntilDays: number
}

/** How a coffee stands to its window. */
export const FRESHNESSES = ['too-fresh', 'in-window', 'fading', 'past'] as const
export type Freshness = (typeof FRESHNESSES)[number]

/** Schools of when a coffee is at its best. */
export const FRESHNESS_PRESETS = ['early', 'usual', 'late'] as const
export type FreshnessPreset = (typeof FRESHNESS_PRESETS)[number]

/** Three schools of when a coffee is at its best; darker roasts rest less. Days after roasting. */
export const FRESHNESS_WINDOWS: Record<FreshnessPreset, FreshnessWindow> = {
  early: { restDays: 4, bestUntilDays: 14, usableUntilDays: 28 },
  usual: { restDays: 5, bestUntilDays: 21, usableUntilDays: 35 },
  late: { restDays: 7, bestUntilDays: 30, usableUntilDays: 45 },
}

/** Days since roasting as far as it aged, and how that stands to its window. */
export interface CoffeeAge {
  /** Days that count: those in an airtight freezer don't. */
  days: number
  freshness: Freshness
  /** Days until it is rested; 0 once it is. */
  restDaysLeft: number
}

/** When a bag was out of the warm: from one date to another, or still. */
export interface Frozen {
  frozenOn: string
  thawedOn: string | null
}

const MS_PER_DAY = 86_400_000

const dayNo = (date: string): number => Date.parse(`${date}T00:00:00Z`) / MS_PER_DAY

/** Whole calendar days from one date `YYYY-MM-DD` to another; below 0 where the second comes first. */
export function daysBetween(from: string, to: string): number {
  return Math.round(dayNo(to) - dayNo(from))
}

/** The calendar date so many days after another. */
export function dateAfter(date: string, days: number): string {
  return new Date((dayNo(date) + days) * MS_PER_DAY).toISOString().slice(0, 10)
}

/**
 * Age of a coffee in whole calendar days, and where that stands in its window.
 * @param roastedOn calendar date, `YYYY-MM-DD`
 * @param onDate calendar date in the academy's own time zone, `YYYY-MM-DD`
 */
export function coffeeAge(
  roastedOn: string,
  onDate: string,
  window: FreshnessWindow,
  frozen: Frozen | null = null,
): CoffeeAge {
  const days = daysBetween(roastedOn, onDate) - frozenDays(frozen, onDate)
  return { days, freshness: freshnessAt(days, window), restDaysLeft: Math.max(0, window.restDays - days) }
}

function frozenDays(frozen: Frozen | null, onDate: string): number {
  if (frozen === null || onDate < frozen.frozenOn) return 0
  const until = frozen.thawedOn === null || frozen.thawedOn > onDate ? onDate : frozen.thawedOn
  return Math.max(0, daysBetween(frozen.frozenOn, until))
}

function freshnessAt(days: number, window: FreshnessWindow): Freshness {
  if (days < window.restDays) return 'too-fresh'
  if (days <= window.bestUntilDays) return 'in-window'
  return days <= window.usableUntilDays ? 'fading' : 'past'
}

/** The dates of a bag's life, as they stand on a date; a bag that is still frozen has none but the roast. */
export interface BagLife {
  restedOn: string
  bestUntil: string
  usableUntil: string
}

/** First day it is rested, last day it is best, last day it is usable; days in the freezer push them back. */
export function bagLife(
  roastedOn: string,
  onDate: string,
  { restDays, bestUntilDays, usableUntilDays }: FreshnessWindow,
  frozen: Frozen | null = null,
): BagLife {
  const after = (days: number) => dateAfter(roastedOn, days + frozenDays(frozen, onDate))
  return {
    restedOn: after(restDays),
    bestUntil: after(bestUntilDays),
    usableUntil: after(usableUntilDays),
  }
}
