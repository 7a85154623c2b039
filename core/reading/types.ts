import type { Recipe } from '../recipe/recipe.ts'
import type { ShotFacts } from '../shot/facts.ts'
import type { MarkPlace } from '../shot/markPlaces.ts'
import type { YieldBy } from '../shot/yieldShare.ts'
import type { DoseSeen } from '../shot/doseSeen.ts'
import type { Side, Tilt } from '../shot/seen.ts'
import type { TimeAtTarget, TimeUnknown } from '../shot/timeAtTarget.ts'
import type { Account, ReadingKind } from '../skill/types.ts'
import type { ShotContext } from './context.ts'

/** Inside the tolerance, inside twice the tolerance, or beyond. */
export const STANDINGS = ['on', 'near', 'off'] as const
export type Standing = (typeof STANDINGS)[number]

/** Which side of its target a value lies on. */
export type Direction = 'under' | 'at' | 'over'

/** Why a reading is not judged. */
export type NotJudged =
  | 'not-weighed'
  /** Nobody knows what one of those that were counted weighs. */
  | 'count-unknown'
  | 'not-seen'
  | 'not-tasted'
  | 'abandoned'
  | 'stopped-too-far'
  | 'only-recorded'
  /** The day's focus leaves it out. */
  | 'not-looked-at'
  | TimeUnknown

/** One measured reading against its target, all in the reading's own base unit. */
export interface Measured {
  judged: true
  standing: Standing
  value: number
  target: number
  tolerance: number
  /** value − target */
  deviation: number
  direction: Direction
}

/** A reading that is not judged, and why. */
export interface Unjudged {
  judged: false
  why: NotJudged
}

/** A dose in g: as weighed, or as what was seen is likely to weigh; how sure that is, as sd. */
export interface DoseMeasured extends Measured {
  sdG: number
  /** What was seen, where it was not weighed. */
  seen: DoseSeen | null
}

/** A yield by mass is in g; by volume in ml, with what that is likely to weigh. */
export interface YieldMeasured extends Measured {
  unit: 'g' | 'ml'
  estimatedG: { g: number; sdG: number } | null
  /** Where the cup stood to the line on its glass, where nobody measured it. */
  seen: MarkPlace | null
}

/** A tamp is ordinal: seen, not measured; but a house may also set a force, in N. */
export interface TampSeen {
  judged: true
  standing: Standing
  tilt: Tilt | null
  lowSide: Side | null
  settled: boolean | null
  force: Measured | null
}

/** `bound`: the value is only known to be at least, or at most, this. `clockS` is what the clock itself showed. */
export interface TimeMeasured extends Measured {
  bound: 'at-least' | 'at-most' | null
  clockS: number
  estimated: boolean
  /** By what the yield is known that it was scaled to; null for a bound. */
  yieldBy: YieldBy | null
}

/**
 * The value is bitter − sour, −10…10: under-extracted below its target, over-extracted above. `isBright`: more sour than
 * that and no fault, because the cup is sweet.
 */
export interface TasteMeasured extends Measured {
  isBright: boolean
  sweetEnough: boolean | null
  drying: boolean
  bothStrong: boolean
}

/** The dose against its target, in g. */
export type DoseReading = DoseMeasured | Unjudged
/** The tamp, as it was seen. */
export type TampReading = TampSeen | Unjudged
/** What was in the cup against its target. */
export type YieldReading = YieldMeasured | Unjudged
/** The time at target against the window, in s on the recipe’s clock. */
export type TimeReading = TimeMeasured | Unjudged
/** The taste against its target, 0–10. */
export type TasteReading = TasteMeasured | Unjudged

export const GATE_FAULTS = [
  'machine-cold',
  'basket-wet',
  'basket-dirty',
  'wrong-basket',
  'grinder-not-purged',
  'dose-low',
  'dose-high',
  'dose-topped-up',
  'bed-uneven',
  'tamp-tilted',
  'tamp-slightly-tilted',
  'tamp-unsettled',
] as const
/** What keeps a shot from being evidence about the grind, in the order in which it is mended. */
export type GateFault = (typeof GATE_FAULTS)[number]

export const GATE_UNKNOWNS = ['machine', 'basket', 'basket-size', 'purge', 'dose', 'bed', 'tamp'] as const
/** A part of the gate nobody looked at. */
export type GateUnknown = (typeof GATE_UNKNOWNS)[number]

/** Whether a shot is evidence about the grind, and what keeps it from being so. */
export interface Gate {
  passed: boolean
  faults: GateFault[]
  unknowns: GateUnknown[]
  /** Steps of preparation that were seen to be done well. */
  done: GateUnknown[]
}

/** How a shot flowed, by its time at target or a bound on it. */
export const FLOW_STATES = ['choking', 'slow', 'on', 'fast', 'gushing', 'unknown'] as const
export type FlowState = (typeof FLOW_STATES)[number]

/** `missLn`: |ln(time ÷ nearest window end)|, 0 inside the window, Infinity for a choke. */
export interface Flow {
  state: FlowState
  missLn: number
}

/** What shows that water took a short cut. */
export const UNEVEN_SIGNS = [
  'spurting',
  'one-sided',
  'holes',
  'thin-side',
  'several-streams',
  'dry-patches',
  'cups-apart',
  'sour-and-bitter',
] as const
export type UnevenSign = (typeof UNEVEN_SIGNS)[number]

export const MISSING_PARTS = ['clock', 'first-drop', 'cup', 'taste', 'dose', 'tamp'] as const
/** What wasn't noted, the weightiest first. */
export type MissingPart = (typeof MISSING_PARTS)[number]

/** The five readings of one shot and what they rest on. */
export interface Readings {
  dose: DoseReading
  tamp: TampReading
  yield: YieldReading
  time: TimeReading
  taste: TasteReading
  timeAtTarget: TimeAtTarget
  gate: Gate
  flow: Flow
  unevenSigns: UnevenSign[]
  /** Whose account each reading goes to, as practice with this grind's owner. */
  accounts: Record<ReadingKind, Account>
  /** What is missing that would matter most; null where nothing is. */
  missing: MissingPart | null
  /** More than one thing was changed since the shot before: nothing is to be learned from the pair. */
  severalChanged: boolean
  /** What was read. */
  of: { facts: ShotFacts; recipe: Recipe; context: ShotContext }
}
