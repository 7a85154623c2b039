import type { Sign } from '../shot/signs.ts'

/** What is measured or judged on a scale; units stand with `BASELINE`. */
export const CHANNELS = [
  'dose',
  'time',
  'first-drop',
  'yield',
  'sour',
  'sweet',
  'bitter',
  'body',
  'dryness',
  'age',
] as const
export type Channel = (typeof CHANNELS)[number]

/** What is seen or not seen while preparing: always the fault, never its absence. */
export const FLAWS_SEEN = [
  'seen-cold',
  'seen-wet',
  'seen-dirty',
  'seen-wrong-basket',
  'seen-unpurged',
  'seen-uneven-bed',
  'seen-unsettled',
] as const
export type FlawSeen = (typeof FLAWS_SEEN)[number]

/** One of several: only one option of a set can be so, and the first of each set is the usual one. */
export const OPTION_SETS = {
  tilt: ['tilt:slight', 'tilt:clear'],
  stream: ['stream:spurting', 'stream:one-sided'],
  puck: ['puck:holes', 'puck:thin-side', 'puck:soup', 'puck:powder'],
} as const
export type OptionSet = keyof typeof OPTION_SETS
export type Option = (typeof OPTION_SETS)[OptionSet][number]

/** Signs that are but a word for a value. */
const WORDS = [
  'ran-fast',
  'ran-slow',
  'drips-only',
  'early-first-drop',
  'late-first-drop',
  'dose-looks-low',
  'dose-looks-high',
  'tastes-watery',
  'tastes-sour',
  'tastes-bright',
  'tastes-salty',
  'tastes-bitter',
  'tastes-good',
  'tastes-harsh',
] as const satisfies readonly Sign[]
/** A sign that is but a word for a value. */
export type WordSign = (typeof WORDS)[number]

/** Whether a sign is but a word for a value. */
export function isWord(sign: string): sign is WordSign {
  return IS_WORD.has(sign)
}

const IS_WORD: ReadonlySet<string> = new Set(WORDS)

/** What a fault makes seen by itself, not by way of a value. */
export type Shown = Exclude<Sign, WordSign> | FlawSeen | Option
/** Anything that is so or is not so. */
export type Feature = Shown | WordSign

/** A cause moves a measured value by `shift` on average, and by more or less than that with `spread`. */
interface Shift {
  on: Channel
  shift: number
  spread: number
  because: string
}
/** A cause makes something seen, by itself, with this chance. */
interface Chance {
  on: Shown
  chance: number
  because: string
}
/** One row of the table of evidence: what a cause does, and why. */
export type Entry = Shift | Chance

/** Any piece of evidence: a channel, a yes or no, or a choice. */
export type EvidenceKey = Channel | Sign | FlawSeen | OptionSet

/**
 * One piece of evidence as it was noted. A measured value is in its channel's unit with the spread of whoever or
 * whatever measured it; with a bound only that much is known. `option` is null for the usual one.
 */
export type Evidence =
  | { kind: 'measured'; key: Channel; value: number; spread: number; bound: 'at-least' | 'at-most' | null }
  | { kind: 'yes-no'; key: Sign | FlawSeen; isSo: boolean }
  | { kind: 'choice'; key: OptionSet; option: Option | null }
