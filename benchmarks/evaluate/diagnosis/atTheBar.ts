import type { Readings, Sign, SignsSeen } from '@calm-apron/core'
import { type Told, readTold } from './told.ts'

/**
 * A shot as it was entered at the bar, with what a trainer of the craft says of it: what was behind it, how it is to be
 * headed, and what to do next. Any one of those named will do. Only what the bar has a field for is entered.
 */
export interface ToldAtBar extends Omit<Told, 'signs'> {
  /** The plain ones are what a training sees most. */
  kind: 'plain' | 'other'
  heading: readonly [string, ...string[]]
  /** As `moveCode` writes moves; a word without a colon takes any move of that lever. */
  move: readonly [string, ...string[]]
  seen?: readonly Sign[]
  notSeen?: readonly Sign[]
}

/** The readings of a shot told at the bar. */
export function readAtBar({ seen = [], notSeen = [], ...told }: ToldAtBar): Readings {
  const signs: SignsSeen = {}
  for (const sign of seen) signs[sign] = true
  for (const sign of notSeen) signs[sign] = false
  return readTold({ ...told, signs })
}
