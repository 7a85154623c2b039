import type { GrinderScale } from '../equipment/equipment.ts'
import type { Readings } from '../reading/types.ts'

/** What dialling in needs to know of a grinder beyond its scale. Settings are in the units of the scale. */
export interface DialInGrinder extends GrinderScale {
  /** How much the inner burr's position shifts the outer scale, per unit of it; null where that is not known. */
  innerBurr: { at: number; settingsPerUnit: number | null } | null
  /** ln of time per unit of setting, as far as this kind of grinder is known; null: from the length of its scale. */
  lnTimePerUnit: number | null
  /** Grounds to throw away after each change, in g. */
  purgeG: number
}

/** One shot in the history of a grinder. */
export interface GrindShot {
  coffeeId: string
  /** Whole days before today; 0 with `isThisSession` false is an earlier session of today. */
  daysAgo: number
  isThisSession: boolean
  setting: number
  innerBurrAt: number | null
  /** What the dose was meant to be, where that was not the recipe's. */
  doseWantedG: number | null
  readings: Readings
}

/** What is wanted. */
export interface DialInWish {
  coffeeId: string
  /** What the dose may be in this basket, in g; null where it must not move. */
  doseRangeG: { min: number; max: number } | null
  /** Price of a kg, in whatever money the academy counts; null where unknown. */
  pricePerKg: number | null
}

export const DIAL_IN_STEPS = [
  'start',
  'move',
  'repeat',
  'confirm',
  'done',
  'nudge-dose',
  'move-inner-burr',
  'judge-by-taste',
  'leave',
] as const
/** What to do next: pull at a setting, again at the same, another way out, or nothing more. */
export type DialInStep = (typeof DIAL_IN_STEPS)[number]

export const DIAL_IN_REASONS = [
  'same-coffee-before',
  'like-coffees-before',
  'middle-of-scale',
  'between-fast-and-slow',
  'last-was-fast',
  'last-was-slow',
  'choked',
  'gushed',
  'gate-failed',
  'smaller-than-noise',
  'in-window-once',
  'in-window-twice',
  'not-tasted',
  'in-window-but-tastes-off',
  'tastes-good',
  'target-between-steps',
  'scale-ends-finer',
  'scale-ends-coarser',
] as const
export type DialInReason = (typeof DIAL_IN_REASONS)[number]

/** The next shot to pull, and what to expect of it. */
export interface GrindAdvice {
  step: DialInStep
  setting: number
  doseG: number
  /** Time at target on the recipe's clock: the middle, and the range it falls in four times out of five. */
  predicted: { s: number; lowS: number; highS: number }
  /** Chance that the next shot lies in the window. */
  chanceInWindow: number
  why: DialInReason[]
  /** Nearest settings known to run too fast and too slow, this session. */
  brackets: { fast: number | null; slow: number | null }
  /** Purge before the next dose, because the setting moves. */
  purgeG: number
  /** What this session has cost so far. */
  spent: { shots: number; grams: number; money: number | null }
}
