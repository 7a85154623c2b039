import type { FlowState, GateFault, GateUnknown, UnevenSign } from '../reading/types.ts'

export const VERDICTS = ['under', 'balanced', 'over', 'uneven', 'unclear'] as const
export type Verdict = (typeof VERDICTS)[number]

export const CAUSES = [
  'none',
  'grind-too-coarse',
  'grind-too-fine',
  'dose-low',
  'dose-high',
  'tamp-tilted',
  'tamp-light',
  'poor-distribution',
  'wet-or-dirty',
  'not-purged',
  'cold',
  'wrong-basket',
  'too-hot-or-dirty',
  'channels-or-cold',
  'stopped-early',
  'stopped-late',
  'ratio-short',
  'ratio-long',
  'not-enough',
] as const
export type Cause = (typeof CAUSES)[number]

export const LEVERS = [
  'grind',
  'dose',
  'tamp',
  'distribution',
  'purge',
  'heat',
  'dry',
  'basket',
  'clean',
  'stop',
  'ratio',
] as const
export type Lever = (typeof LEVERS)[number]

export const OBSERVATIONS = [
  'weigh-dose',
  'weigh-cup',
  'time-it',
  'mark-first-drop',
  'let-it-run',
  'taste-it',
  'watch-stream',
  'read-puck',
  'check-gate',
] as const
/** What to look at next time because it would tell most. */
export type Observation = (typeof OBSERVATIONS)[number]

/** One thing to do next. Sizes are in the lever's own unit. */
export type Move =
  | { lever: 'leave' }
  | { lever: 'observe'; observation: Observation }
  | { lever: 'grind'; direction: 'finer' | 'coarser'; steps: number; toSetting: number | null }
  | { lever: 'dose'; trimG: number }
  | { lever: 'stop'; byG: number }
  | { lever: 'ratio'; direction: 'longer' | 'shorter' }
  | { lever: 'tamp'; how: 'level' | 'settle' }
  | { lever: 'distribution' | 'purge' | 'heat' | 'dry' | 'basket' | 'clean' }

/** One reason, as facts; `code` says which. */
export type Reason =
  | { code: 'flow'; state: FlowState }
  | { code: 'gate-fault'; fault: GateFault }
  | { code: 'miss-outweighs-faults' }
  | { code: 'gate-unknown'; unknown: GateUnknown }
  | { code: 'uneven'; sign: UnevenSign }
  | { code: 'puck-first' }
  | { code: 'taste'; leaning: TasteLeaning }
  | { code: 'taste-decides' }
  | { code: 'yield-off'; byG: number }

export const TASTE_LEANINGS = ['under', 'balanced', 'over', 'uneven', 'flat'] as const
export type TasteLeaning = (typeof TASTE_LEANINGS)[number]

/**
 * What the readings amount to. `mendToo` are faults to mend beside the one move where the shot was so far out that
 * both are wanted; `hold` is what must stay as it is so that the next shot can tell something.
 */
export interface Diagnosis {
  verdict: Verdict
  cause: Cause
  why: Reason[]
  move: Move
  mendToo: GateFault[]
  hold: Lever[]
  lookNext: Observation | null
  /** The puck may still be under pressure: nobody should loosen the portafilter yet. */
  pressureCaution: boolean
}
