/**
 * How ln time bends. About the target it is nearly a straight line of the setting; on the fine side fines close the bed
 * and it steepens, on the coarse side filling and first drop set a floor and it flattens. By how much no grinder's maker
 * publishes: these are means, with what grinders differ by about them in `BENDS`.
 */
const FINE_SIDE = 1.3
const COARSE_SIDE = 0.45
/** Scales that bend by themselves: how much more or less, and how common each is. */
export const BENDS = [
  { bend: -0.9, weight: 0.08 },
  { bend: -0.45, weight: 0.24 },
  { bend: 0, weight: 0.36 },
  { bend: 0.45, weight: 0.24 },
  { bend: 0.9, weight: 0.08 },
] as const

/** No bend goes further down than to this share of its own reach, so that every time has a place on the line. */
const LEAST_INSIDE = 0.04
const STRAIGHT = 1e-3

/**
 * ln(time ÷ target) at a place `x` on the straight line, where x is 0 at the target and 1 stands for as much as would be
 * e times the time if nothing bent.
 */
export function bent(x: number, bend: number): number {
  const by = (x > 0 ? FINE_SIDE : COARSE_SIDE) + bend
  return Math.abs(by) < STRAIGHT ? x : (Math.exp(by * x) - 1) / by
}

/** The place on the straight line where ln(time ÷ target) is `y`: the inverse of `bent`, and finite for every time. */
export function unbent(y: number, bend: number): number {
  const by = (y > 0 ? FINE_SIDE : COARSE_SIDE) + bend
  return Math.abs(by) < STRAIGHT ? y : Math.log(Math.max(LEAST_INSIDE, 1 + by * y)) / by
}

/** How fast ln time runs at that place, against at the target. */
export function steepness(x: number, bend: number): number {
  const by = (x > 0 ? FINE_SIDE : COARSE_SIDE) + bend
  return Math.exp(by * x)
}
