import { THRESHOLDS } from '../thresholds.ts'
import type { Direction, Measured, Standing } from './types.ts'

// 18.3 − 18 is 0.3000000000000007 in binary; no scale or clock reads that finely.
const ARITHMETIC_NOISE = 1e-6

/** Where a deviation stands against its tolerance, both in the same unit. */
export function standingOf(deviation: number, tolerance: number): Standing {
  const size = Math.abs(deviation) - ARITHMETIC_NOISE
  if (size <= tolerance) return 'on'
  return size <= tolerance * THRESHOLDS.nearInTolerances ? 'near' : 'off'
}

/**
 * One value against its target and tolerance, all in one unit.
 * @example measure(18.6, 18, 0.3) // => near, 0.6 over
 */
export function measure(value: number, target: number, tolerance: number): Measured {
  const deviation = value - target
  return {
    judged: true,
    standing: standingOf(deviation, tolerance),
    value,
    target,
    tolerance,
    deviation,
    direction: directionOf(deviation),
  }
}

function directionOf(deviation: number): Direction {
  if (Math.abs(deviation) <= ARITHMETIC_NOISE) return 'at'
  return deviation < 0 ? 'under' : 'over'
}
