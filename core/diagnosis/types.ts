import type { GateFault, GateUnknown } from '../reading/types.ts'
import type { Cause } from './causes.ts'
import type { EvidenceKey, Option } from './evidenceTypes.ts'

/** What a cup can be. */
export const CUP_VERDICTS = ['under', 'balanced', 'over', 'uneven'] as const
export type CupVerdict = (typeof CUP_VERDICTS)[number]
/** What can be said of a cup: "unclear" only says that it isn't known which. */
export type Verdict = CupVerdict | 'unclear'

export const LEVERS = [
  'grind',
  'dose',
  'tamp',
  'distribution',
  'purge',
  'heat',
  'cool',
  'cycle',
  'dry',
  'basket',
  'clean',
  'stop',
  'ratio',
  'rest',
  'bag',
  'fresh-grounds',
  'coffee',
  'water',
  'burrs',
] as const
export type Lever = (typeof LEVERS)[number]

/** What can be asked to stay as it is. */
export type HeldLever = Extract<Lever, 'grind' | 'dose' | 'tamp' | 'ratio'>

export const OBSERVATIONS = [
  'weigh-dose',
  'weigh-cup',
  'time-it',
  'mark-first-drop',
  'taste-it',
  'watch-stream',
  'read-puck',
  'look-at-crema',
  'read-gauge',
  'check-heat',
  'check-basket',
  'check-button',
  'check-purge',
  'check-bed',
  'check-tamp',
  'flush-and-look',
  'look-at-beans',
  'ask-roast-date',
  'name-the-notes',
  'look-at-the-scale',
  'try-another-grind',
  'let-another-pull',
  'try-another-group',
  'compare-yields',
  'pull-another',
] as const
/** What to look at next because it would tell most. */
export type Observation = (typeof OBSERVATIONS)[number]

/** One thing to do next. Sizes are in the lever's own unit. */
export type Move =
  | { lever: 'leave' }
  | { lever: 'observe'; observation: Observation }
  | { lever: 'grind'; direction: 'finer' | 'coarser'; steps: number; toSetting: number | null }
  | { lever: 'dose'; direction: 'more' | 'less'; trimG: number | null }
  | { lever: 'stop'; byG: number }
  | { lever: 'ratio'; direction: 'longer' | 'shorter' }
  | { lever: 'tamp'; how: 'level' | 'settle' | 'alike' }
  | { lever: Exclude<Lever, 'grind' | 'dose' | 'stop' | 'ratio' | 'tamp'> }

export const TASTE_LEANINGS = ['under', 'balanced', 'over', 'uneven', 'flat'] as const
export type TasteLeaning = (typeof TASTE_LEANINGS)[number]

/** The rule of the craft that decided the move, where one did. */
export type Reason =
  | { code: 'gate-first' }
  | { code: 'miss-outweighs-faults' }
  | { code: 'gate-unknown'; unknown: GateUnknown }
  | { code: 'puck-first' }
  | { code: 'stop-first' }
  | { code: 'ratio-first' }
  | { code: 'taste-decides' }
  | { code: 'taste-against-flow' }

/** How a value stood against a careful shot: low, usual or high; a thing seen or not; or which of several it was. */
export type Noted = 'yes' | 'no' | 'low' | 'usual' | 'high' | WordOf<Option>
type WordOf<O> = O extends `${string}:${infer Word}` ? Word : never

/** A piece of evidence and how it moved the log-odds of the leading cause. */
export interface WeighedEvidence {
  key: EvidenceKey
  noted: Noted
  /** Above 0 it speaks for the cause, below against; 0.7 doubles or halves the odds. */
  logOdds: number
}

/**
 * What a shot amounts to. `mendToo` are faults to mend beside the one move where the shot was so far out that both are
 * wanted; `hold` is what must stay as it is so that the next shot can tell something.
 */
export interface Diagnosis {
  verdict: Verdict
  verdicts: Record<CupVerdict, number>
  /** Likeliest first; two can hold at once, so that they sum to 1 or more. */
  causes: readonly { cause: Cause; probability: number }[]
  /** The likeliest, or null where there is not enough to tell. */
  cause: Cause | null
  /** The next likeliest, where it is worth naming. */
  runnerUp: Cause | null
  /** What speaks for and against the likeliest, the weightiest first. */
  evidence: readonly WeighedEvidence[]
  why: Reason[]
  move: Move
  mendToo: GateFault[]
  hold: HeldLever[]
  lookNext: Observation | null
  /** The puck may still be under pressure: nobody should loosen the portafilter yet. */
  pressureCaution: boolean
}
