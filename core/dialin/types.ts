import type { TasteLeaning } from '../diagnosis/types.ts'
import type { Spent } from './spent.ts'
import type { GrinderScale } from '../equipment/equipment.ts'
import type { TasteTargets } from '../recipe/recipe.ts'

/** What dialling in needs to know of a grinder beyond its scale. Settings are in the units of the scale. */
export interface DialInGrinder extends GrinderScale {
  /** How much the inner burr's position shifts the outer scale, per unit of it; null where that is not known. */
  innerBurr: { at: number; settingsPerUnit: number | null } | null
  /** ln of time per unit of setting, as far as this kind of grinder is known; null: from the length of its scale. */
  lnTimePerUnit: number | null
  /** Grounds to throw away after each change, in g. */
  purgeG: number
}

/** What one shot tells of its grinder: nothing of who pulled it. Times are on the clock of the recipe asked for. */
export interface GrindSeen {
  coffeeId: string
  /** The basket it was pulled through; null where nobody knows. */
  basketId: string | null
  /** Whole days before today; 0 in a history is an earlier session of today. */
  daysAgo: number
  setting: number
  /** Where the inner burr stood then. */
  innerBurrAt: number | null
  /** Dry dose as weighed, in g; null where it wasn't. */
  doseG: number | null
  /** Time at the recipe's own yield, in s, or a bound on it; null where nothing can be told. */
  timeS: number | null
  bound: 'at-least' | 'at-most' | null
  /** What seen faults did to ln time on average, and what they and an unweighed cup add to its spread (sd). */
  shiftLn: number
  spreadLn: number
  /** Pulled to find the setting, by hands that keep all else the same. */
  isDialIn: boolean
}

/** How a shot came out against the recipe as it was meant: its time, where the yield lets it count. */
export type CameOut = 'in-window' | 'fast' | 'slow' | 'gushed' | 'choked' | 'unknown'

/** One shot of the dial-in under way. */
export interface SessionShot extends GrindSeen {
  /** What the dose and the yield were meant to be, in g, where that was not the recipe's. */
  doseWantedG: number | null
  yieldWantedG: number | null
  cameOut: CameOut
  /** A fault was seen that keeps it from telling of the grind. */
  isGated: boolean
  /** What a trusted tongue tasted, and who that was. */
  leaning: TasteLeaning | null
  taste: TasteTargets | null
  tasters: readonly string[]
}

/** What is wanted. */
export interface DialInWish {
  coffeeId: string
  basketId: string | null
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
  'taste-it',
  'done',
  'nudge-yield',
  'nudge-dose',
  'move-inner-burr',
  'judge-by-taste',
  'taste-again',
  'lock-on-taste',
] as const
/** What to do next: pull at a setting, again at the same, another way out, or nothing more. */
export type DialInStep = (typeof DIAL_IN_STEPS)[number]

/** Steps after which nobody need pull another. */
const OVER: readonly DialInStep[] = ['done', 'taste-it', 'lock-on-taste']
/** Whether nothing more is to be pulled for it. */
export function isDialInOver(step: DialInStep): boolean {
  return OVER.includes(step)
}

/** Why a dial-in goes on as it does. */
export const DIAL_IN_REASONS = [
  'same-coffee-before',
  'like-coffees-before',
  'middle-of-scale',
  'last-was-fast',
  'last-was-slow',
  'choked',
  'gushed',
  'gate-failed',
  'smaller-than-noise',
  'in-window-once',
  'in-window-twice',
  'in-window-and-tasted',
  'not-tasted',
  'in-window-but-tastes-off',
  'tastes-good',
  'tastes-good-twice',
  'tastes-under',
  'tastes-over',
  'tastes-uneven',
  'yield-first',
  'yield-used-up',
  'target-between-steps',
  'steps-wider-than-window',
  'scale-ends-finer',
  'scale-ends-coarser',
] as const
export type DialInReason = (typeof DIAL_IN_REASONS)[number]

export const WAYS_OUT = ['yield', 'dose', 'inner-burr', 'taste'] as const
/** What is left where no step of the grinder reaches the window, in the order in which it is tried. */
export type WayOut = (typeof WAYS_OUT)[number]

/** The next shot to pull, and what to expect of it. */
export interface GrindAdvice {
  step: DialInStep
  setting: number
  doseG: number
  yieldG: number
  /** Time at target on the recipe's clock: the middle, and the range it falls in four times out of five. */
  predicted: { s: number; lowS: number; highS: number }
  /** Chance that the next shot lies in the window. */
  chanceInWindow: number
  why: DialInReason[]
  /** Nearest settings known to run too fast and too slow, this session. */
  brackets: { fast: number | null; slow: number | null }
  /** Where it ran in its window before, to go back to: of this session, else of this coffee's last; null where nowhere. */
  ranWellAt: number | null
  /** What at least two trusted tongues tasted where it is found, as a mean; null where no two did. */
  tastedAs: TasteTargets | null
  /** Ways out that are left, said from the fifth shot on; empty before. */
  waysOut: WayOut[]
  /** Purge before the next dose, because the setting moves. */
  purgeG: number
  /** What this session has cost so far. */
  spent: Spent
}
