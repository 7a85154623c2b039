/** Days after roasting: rest until, best until, usable until. */
export interface FreshnessWindow {
  restDays: number
  bestUntilDays: number
  usableUntilDays: number
}

export type Freshness = 'too-fresh' | 'in-window' | 'fading' | 'past'

export interface CoffeeAge {
  days: number
  freshness: Freshness
  /** Days until it is rested; 0 once it is. */
  restDaysLeft: number
}

const MS_PER_DAY = 86_400_000

/**
 * Age of a coffee in whole calendar days, and where that stands in its window.
 * @param roastedOn calendar date, `YYYY-MM-DD`
 * @param onDate calendar date in the academy's own time zone, `YYYY-MM-DD`
 */
export function coffeeAge(roastedOn: string, onDate: string, window: FreshnessWindow): CoffeeAge {
  const days = Math.round(
    (Date.parse(`${onDate}T00:00:00Z`) - Date.parse(`${roastedOn}T00:00:00Z`)) / MS_PER_DAY,
  )
  return { days, freshness: freshnessAt(days, window), restDaysLeft: Math.max(0, window.restDays - days) }
}

function freshnessAt(days: number, window: FreshnessWindow): Freshness {
  if (days < window.restDays) return 'too-fresh'
  if (days <= window.bestUntilDays) return 'in-window'
  return days <= window.usableUntilDays ? 'fading' : 'past'
}
