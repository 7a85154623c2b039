import type { GrindDirection } from '../equipment/grinder.ts'
import type { GateFault, GateUnknown } from '../reading/types.ts'
import type { DoseTrim } from '../shot/doseSeen.ts'
import type { ReadingKind } from '../skill/types.ts'
import type { Cause } from './causes.ts'
import type { EvidenceKey, Option } from './evidenceTypes.ts'

/** What a cup can be. */
export const CUP_VERDICTS = ['under', 'balanced', 'over', 'uneven'] as const
export type CupVerdict = (typeof CUP_VERDICTS)[number]
/** What can be said of a cup: "unclear" only says that it isn't known which. */
export type Verdict = CupVerdict | 'unclear'

/** Words of flow, for a shot that nobody to be trusted has tasted. */
export const FLOW_HEADINGS = ['choked', 'slow', 'on-time', 'fast', 'gushed'] as const
export type FlowHeading = (typeof FLOW_HEADINGS)[number]
/** What can be said of a shot by eye and by tongue. */
export const CALL_WORDS = [...FLOW_HEADINGS, ...CUP_VERDICTS, 'unclear'] as const
export type CallWord = (typeof CALL_WORDS)[number]
/** Of dose, bed and tamp, where the day looks at nothing behind them. */
export const HANDS_HEADINGS = ['well-prepared', 'mend-preparing'] as const
export const HEADINGS = [...CALL_WORDS, ...HANDS_HEADINGS] as const
/** What a shot is headed by: what was tasted, else how it flowed; "unclear" where neither is known. */
export type Heading = (typeof HEADINGS)[number]

/** What can be changed of the next shot. */
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
  'trainer-taste',
  'watch-stream',
  'read-puck',
  'look-underneath',
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
  'name-the-taste',
  'check-headspace',
  'ask-others',
  'recall-settings',
  'ask-roast-date',
  'pull-another',
] as const
/** What to look at next because it would tell most. */
export type Observation = (typeof OBSERVATIONS)[number]

/** One thing to do next. Sizes are in the lever's own unit. */
export type Move =
  | { lever: 'leave' }
  /** Good to a trusted tongue though off its window: once more the same, before anything is concluded. */
  | { lever: 'again' }
  | { lever: 'observe'; observation: Observation }
  /** How far is worked out when somebody asks: `Diagnosis.grindTo`. */
  | { lever: 'grind'; direction: GrindDirection }
  | { lever: 'dose'; direction: 'more' | 'less'; trim: DoseTrim | null }
  /** `by` is null where nobody measured the cup. */
  | { lever: 'stop'; direction: 'later' | 'sooner'; by: number | null; unit: 'g' | 'ml' }
  | { lever: 'ratio'; direction: 'longer' | 'shorter' }
  | { lever: 'tamp'; how: 'level' | 'settle' | 'alike' }
  | { lever: Exclude<Lever, 'grind' | 'dose' | 'stop' | 'ratio' | 'tamp'> }

/** Which way a cup leans to a tongue to be trusted. */
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
  | { code: 'learner-against-flow' }
  | { code: 'last-safe-step' }

/**
 * How a value stood against a careful shot: low, usual or high, or possibly usual, of which only a bound is known; less
 * or more than the shot's own time makes it, or as that makes it; a thing seen or not; or which of several it was.
 */
export type Noted =
  | 'yes'
  | 'no'
  | 'low'
  | 'usual'
  | 'high'
  | 'possible'
  | 'less'
  | 'fits'
  | 'more'
  | WordOf<Option>
type WordOf<O> = O extends `${string}:${infer Word}` ? Word : never

/** A piece of evidence and how it moved the log-odds of the named cause. */
export interface WeighedEvidence {
  key: EvidenceKey
  noted: Noted
  /** Above 0 it speaks for the cause, below against; 0.7 doubles or halves the odds. */
  logOdds: number
}

/**
 * What is named: one cause, two that hold at once, one of two, or nothing because there is not enough to tell; the
 * likeliest first.
 */
export type Named =
  | { as: 'one'; causes: readonly [Cause] }
  | { as: 'both' | 'either'; causes: readonly [Cause, Cause] }
  | { as: 'unclear'; causes: readonly [] }

/** Why nobody should loosen the portafilter yet: it choked, the lever's spring still presses, or nothing lets the pressure out. */
export type PressureCaution = 'choked' | 'lever' | 'no-valve'

/**
 * What a shot amounts to, as one statement: heading, what is named, the move and what stays belong together. `mendToo`
 * are faults to mend beside the one move where both are wanted; `right` is one thing that was right, and `changes` the
 * reading that the move is about.
 */
export interface Statement {
  heading: Heading
  /** What the cup was to a trusted tongue, or uneven by its look: what a call is held against. */
  verdict: Verdict
  named: Named
  move: Move
  why: Reason[]
  mendToo: GateFault[]
  hold: HeldLever[]
  right: ReadingKind | null
  changes: ReadingKind | null
  pressureCaution: PressureCaution | null
  /** Likeliest first; two can hold at once, so that they sum to 1 or more. */
  causes: readonly { cause: Cause; probability: number }[]
}

/** How far a grind move goes, and where the grinder ran well before: the way back. */
export interface GrindTo {
  steps: number
  toSetting: number
  ranWellAt: number | null
}

/** A statement with what is worked out when somebody asks for it. */
export interface Diagnosis extends Statement {
  /** What speaks for and against what was named first, the weightiest first. */
  evidence: readonly WeighedEvidence[]
  /** Of a grind move on a grinder whose setting and scale are known. */
  grindTo: GrindTo | null
  /** What to look at beside the move, and whether that is still to be had of this shot. */
  lookNext: { observation: Observation; isStillThere: boolean } | null
  /** The version of the rules that said all this. */
  rulesVersion: number
}
