import type { DoseMethod } from '../reading/context.ts'
import type { LowDoseRule } from '../recipe/presets.ts'
import type { StepKey } from '../routine/steps.ts'
import type { FlowMark } from './marks.ts'
import type { SignsSeen } from './signs.ts'

export const DISTRIBUTIONS = ['tap', 'palm', 'finger', 'needle', 'levelling-tool'] as const
/** How the grounds were spread. */
export type Distribution = (typeof DISTRIBUTIONS)[number]

export const POSTURES = ['in-line', 'bent'] as const
/** Wrist and elbow above the tamper, or the wrist bent. */
export type Posture = (typeof POSTURES)[number]

/** A mark that was tapped while the shot ran. */
export interface MarkAt {
  mark: FlowMark
  /** s from pump start. */
  atS: number
}

/** What was noted of one shot at the bar, beyond what it is judged by first. Null is "not noted". */
export interface ShotNotes {
  doseMethod: DoseMethod | null
  distributions: Distribution[]
  clumps: boolean | null
  spilt: boolean | null
  beansInG: number | null
  /** What was done with a dose that turned out low after tamping. */
  lowDose: LowDoseRule | null
  posture: Posture | null
  twisted: boolean | null
  rimWiped: boolean | null
  lockedFirmly: boolean | null
  /** s from locking in until the pump started. */
  lockToStartS: number | null
  marks: MarkAt[]
  /** What the scale showed at the stop, before the last drips. */
  weightAtStopG: number | null
  /** Two cups under two spouts, each weighed. */
  cupsG: [number, number] | null
  /** What the one at the bar expected of the time, and what the tool did, in s on the recipe's clock. */
  predicted: { byPersonS: number | null; byToolS: number | null } | null
  signs: SignsSeen
  stepsDone: StepKey[]
  /** 0–10, by whoever pulled. */
  selfRating: number | null
}

/** Notes of a shot of which nothing was noted. */
export function noNotes(): ShotNotes {
  return {
    doseMethod: null,
    distributions: [],
    clumps: null,
    spilt: null,
    beansInG: null,
    lowDose: null,
    posture: null,
    twisted: null,
    rimWiped: null,
    lockedFirmly: null,
    lockToStartS: null,
    marks: [],
    weightAtStopG: null,
    cupsG: null,
    predicted: null,
    signs: {},
    stepsDone: [],
    selfRating: null,
  }
}
