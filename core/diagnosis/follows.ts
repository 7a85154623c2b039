/** What follows from dose, time and yield alone, whatever caused them. */

/** The first drop comes late in slow shots and early in fast ones, in ln. */
export const FIRST_DROP_PER_TIME = 0.68
/** Less coffee for as much water is drawn out further, in ln of dose. */
const REACH_PER_DOSE = -1.6

/** What is measured or expected of a shot, as ln of actual ÷ target. */
export interface Ratios {
  timeLn: number
  yieldLn: number
  doseLn: number
}

/** How far extraction went beyond the recipe’s own, in ln: the longer and the more water, the further. */
export function reachOf({ timeLn, yieldLn, doseLn }: Ratios): number {
  return timeLn + yieldLn + REACH_PER_DOSE * doseLn
}

/** How each taste axis moves with that reach. Acids dissolve first and bitter substances last, so a short shot is sour. */
export const FOLLOWS = {
  sour: (reach: number) => (reach < 0 ? Math.min(7, -12 * reach) : -Math.min(1.2, 6 * reach)),
  bitter: (reach: number) => (reach > 0 ? Math.min(7, 11.5 * reach) : -Math.min(1.1, -5 * reach)),
  sweet: (reach: number) => -Math.min(6.2, 60 * reach * reach),
  body: (reach: number, yieldLn: number) => 2.4 * reach - 4 * yieldLn,
  dryness: (reach: number) => (reach > 0 ? Math.min(6, 8 * reach) : -Math.min(0.7, -3 * reach)),
} as const

/** What a spread in reach makes of each axis’s own, per unit. */
export const FOLLOWS_SPREAD = { sour: 8, bitter: 8, sweet: 9, body: 2.5, dryness: 6 } as const
export type FollowingAxis = keyof typeof FOLLOWS
