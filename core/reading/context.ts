import type { FreshnessWindow } from '../coffee/age.ts'
import type { DoseMethod } from '../shot/doseMethod.ts'
import type { ShotPurpose } from '../shot/purpose.ts'
import type { SignsSeen } from '../shot/signs.ts'
import type { Focus } from '../training/focus.ts'

export const CHANGES = ['grind', 'dose', 'yield', 'basket', 'coffee', 'temperature', 'tamp'] as const
/** What can differ between two shots. */
export type Change = (typeof CHANGES)[number]

/** Days after roasting where a coffee carries no window of its own. */
export const USUAL_FRESHNESS: FreshnessWindow = { restDays: 5, bestUntilDays: 21, usableUntilDays: 35 }

export const TONGUES = ['trusted', 'learning'] as const
/**
 * Whose tongue tasted: a trainer's, or one that told sour from bitter in 9 of 10 coded pairs, is trusted. Beginners swap
 * the two, so that what they note is kept and compared, and moves nothing.
 */
export type Tongue = (typeof TONGUES)[number]

/** What the machine is, as far as it changes what may be said of a shot. */
export interface MachineKnown {
  /** Whether it stops by itself; left out where that was not kept. */
  stopsItself?: boolean
  isLever: boolean
  /** Whether a valve lets the pressure out of the basket after the shot. */
  hasReleaseValve: boolean
}

/** The last move of a grinder before a shot: which way and by how many of its steps; 0 steps: it was not moved. */
export interface GrindMoved {
  direction: 'finer' | 'coarser'
  steps: number
}

/** What is known of a shot beside its own facts. Null and left out are "not known". */
export interface ShotContext {
  /** What was said or seen in a word. */
  signs: SignsSeen
  doseMethod: DoseMethod
  coffeeAgeDays: number | null
  freshness: FreshnessWindow
  /** Minutes since the machine was switched on, and those it needs. */
  warmUp: { minutesOn: number; minutesNeeded: number } | null
  /** What was changed since the shot before; null when nobody knows. */
  changedSinceLast: readonly Change[] | null
  grindOwner: 'trainer' | 'trainee'
  tongue: Tongue
  machine: MachineKnown | null
  grindMoved: GrindMoved | null
  purpose: ShotPurpose
  /** Not pulled for real: it counts for nothing. */
  isSimulated: boolean
  isRoastDark: boolean | null
  /** Whether the basket in the group is the one that the recipe is for. */
  isRecipesBasket: boolean | null
  /** What the basket in the group is made for, in g. */
  basketNominalG: number | null
  /** What the machine's water was set to, in °C; null where nobody knows. */
  setC: number | null
  /** What was looked at; null where all was. */
  focus: Focus | null
}

/** Nothing known beside the facts; doses are taken to be weighed. */
export const NO_CONTEXT: ShotContext = {
  signs: {},
  doseMethod: 'scale',
  coffeeAgeDays: null,
  freshness: USUAL_FRESHNESS,
  warmUp: null,
  changedSinceLast: null,
  grindOwner: 'trainee',
  tongue: 'trusted',
  machine: null,
  grindMoved: null,
  purpose: 'practice',
  isSimulated: false,
  isRoastDark: null,
  isRecipesBasket: null,
  basketNominalG: null,
  setC: null,
  focus: null,
}
