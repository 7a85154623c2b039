import {
  type Measured,
  READING_KINDS,
  type ReadingKind,
  type Readings,
  type Standing,
  isLookedAt,
} from '@calm-apron/core'

/** Half the width of every rail, in tolerances: on ends at a third of it, near at two thirds. */
export const RAIL_HALF_WIDTH = 3

/** One mark on a rail; `at` runs from 0 (left end) to 1, and off-scale marks rest at the edge. */
export interface RailMark {
  at: number
  standing: Standing
  side: 'left' | 'right'
  isOffScale: boolean
}

/** What is drawn; words stand beside it. `band` and notch are left out where nothing was measured. */
export interface RailModel {
  kind: ReadingKind
  isJudged: boolean
  hasTarget: boolean
  mark: RailMark | null
  isUneven: boolean
}

/** Where a deviation rests on the rail. */
export function markOf({
  deviation,
  tolerance,
  standing,
}: Pick<Measured, 'deviation' | 'tolerance' | 'standing'>): RailMark {
  const inTolerances = deviation / tolerance
  const clamped = Math.min(RAIL_HALF_WIDTH, Math.max(-RAIL_HALF_WIDTH, inTolerances))
  return {
    at: (clamped + RAIL_HALF_WIDTH) / (2 * RAIL_HALF_WIDTH),
    standing,
    side: deviation < 0 ? 'left' : 'right',
    isOffScale: Math.abs(inTolerances) > RAIL_HALF_WIDTH,
  }
}

/** The rails of a shot, always in the order dose, tamp, yield, time, taste, as far as the day looks at them. */
export function railsOf(readings: Readings): RailModel[] {
  return READING_KINDS.filter((kind) => isLookedAt(readings.of.context.focus, kind)).map((kind) => {
    const reading = readings[kind]
    const isUneven = kind === 'taste' && readings.unevenSigns.length > 0
    if (!reading.judged) return { kind, isJudged: false, hasTarget: false, mark: null, isUneven }
    if ('tilt' in reading) {
      // A tamp is words: its mark leans to the side that is low, off any scale.
      const side = reading.lowSide === 'right' ? 'right' : 'left'
      return {
        kind,
        isJudged: true,
        hasTarget: false,
        mark: { at: 0.5, standing: reading.standing, side, isOffScale: false },
        isUneven,
      }
    }
    return { kind, isJudged: true, hasTarget: true, mark: markOf(shownOf(reading)), isUneven }
  })
}

/** A bright cup is on by its sweetness: its mark rests at the end of the band, not beyond it. */
function shownOf<M extends Measured>(reading: M): M {
  const isBright = 'isBright' in reading && reading.isBright === true
  return isBright ? { ...reading, deviation: -reading.tolerance } : reading
}
