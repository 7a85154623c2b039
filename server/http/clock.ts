/** Clocks differ; what a device says is later than this much from now is not so. */
const AHEAD_MS = 300_000

/** What a device says of when something was, and how far its clock is ahead, where it is. */
export interface DeviceInstant {
  at: Date
  /** In s; null where it is not ahead. */
  aheadS: number | null
}

/**
 * Reads an instant by a device's own clock. It may lie as far back as it likes, for a tablet may have been without
 * network for weeks; one that lies ahead is taken as now, so that it does not stand before all that comes after.
 */
export function deviceInstant(told: string, now: Date): DeviceInstant {
  const aheadMs = Date.parse(told) - now.getTime()
  return aheadMs > AHEAD_MS
    ? { at: now, aheadS: Math.round(aheadMs / 1000) }
    : { at: new Date(told), aheadS: null }
}
