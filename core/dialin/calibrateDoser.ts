/** One weighed portion of a grinder that doses by time. */
export interface DoserPortion {
  seconds: number
  grams: number
  /** The grind it was weighed at; left out or null where nobody noted it. */
  settingAt?: number | null
}

/** grams = gramsPerS × (seconds − deadTimeS) */
export interface DoserCalibration {
  gramsPerS: number
  deadTimeS: number
}

/** The portions weighed at the setting of the last one: a finer setting delivers less, so others say nothing of it. */
export function portionsAtLast<P extends DoserPortion>(portions: readonly P[]): P[] {
  const last = portions.at(-1)?.settingAt ?? null
  return portions.filter(({ settingAt = null }) => settingAt === last)
}

/**
 * How a grinder turns seconds into grams: from one portion (or several of one length) in proportion, from two
 * lengths on by least squares with a dead time. A finer setting delivers less, so each grind change asks for it anew.
 * Null when there is nothing to go by, or when more seconds did not give more grams.
 */
export function calibrateDoser(portions: readonly DoserPortion[]): DoserCalibration | null {
  if (portions.length === 0) return null
  const seconds = mean(portions.map((portion) => portion.seconds))
  const grams = mean(portions.map((portion) => portion.grams))
  const spread = mean(portions.map((portion) => (portion.seconds - seconds) ** 2))
  if (spread === 0) return seconds > 0 && grams > 0 ? { gramsPerS: grams / seconds, deadTimeS: 0 } : null
  const together = mean(portions.map((portion) => (portion.seconds - seconds) * (portion.grams - grams)))
  const gramsPerS = together / spread
  return gramsPerS > 0 ? { gramsPerS, deadTimeS: seconds - grams / gramsPerS } : null
}

/**
 * Seconds to set for a dose.
 * @example dosingSeconds({ gramsPerS: 2, deadTimeS: 0.5 }, 18) // => 9.5
 */
export function dosingSeconds({ gramsPerS, deadTimeS }: DoserCalibration, targetG: number): number {
  return deadTimeS + targetG / gramsPerS
}

/** Grounds that stayed in the grinder, in g; below 0 when old ones came out. */
export function retentionG(beansInG: number, groundsOutG: number): number {
  return beansInG - groundsOutG
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length
}
