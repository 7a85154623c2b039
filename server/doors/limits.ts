export const S_PER_DAY = 86_400

/** How long doors stay open. */
export const DOOR_LIMITS = {
  /** A session unused for so long is over. */
  idleDays: 7,
  /** However much it is used; also how long a PIN will do on a device after a full sign-in. */
  absoluteDays: 30,
  /** Last use is written down at most this often. */
  touchEveryS: 60,
  invitationDays: 7,
  resetHours: 24,
  setUpCodeDays: 7,
  /** So many wrong PINs in a row, and this device asks for the password. */
  wrongPinsUntilPassword: 10,
  deviceCookieDays: 400,
} as const

/** After `free` failed tries each further one doubles the wait; failures are forgotten after a quiet while. */
export interface ThrottleRule {
  free: number
  firstWaitS: number
  longestWaitS: number
  forgetAfterS: number
}

/**
 * What a failed try counts against. On a device where a person has signed in fully before, only that person at that
 * device is held up, so that nobody outside can lock a trainer out of their own tablet. Everyone at a bar shares one
 * address, so an address is slowed but never locked for long.
 */
export const THROTTLE = {
  accountFromAddress: { free: 5, firstWaitS: 1, longestWaitS: 900, forgetAfterS: 3600 },
  account: { free: 50, firstWaitS: 5, longestWaitS: 900, forgetAfterS: 3600 },
  address: { free: 60, firstWaitS: 1, longestWaitS: 30, forgetAfterS: 900 },
  /** All PINs tried on one device together, so that trying people one after another is slowed too. */
  device: { free: 30, firstWaitS: 1, longestWaitS: 30, forgetAfterS: 900 },
  /** Of a person's PIN on one device: remembered for as long as a PIN will do there, or quiet hours would let it be guessed. */
  pin: { free: 4, firstWaitS: 1, longestWaitS: 900, forgetAfterS: DOOR_LIMITS.absoluteDays * S_PER_DAY },
  accountOnDevice: { free: 4, firstWaitS: 1, longestWaitS: 900, forgetAfterS: 3600 },
} as const satisfies Record<string, ThrottleRule>
