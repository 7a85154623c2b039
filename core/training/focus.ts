import type { BarStep } from '../shot/barSteps.ts'
import { READING_KINDS, type Skill } from '../skill/types.ts'

/** What a training can look at: readings, looks, and what is said before the reading. */
export const FOCUS_PARTS = [
  ...READING_KINDS,
  /** Hot, dry, clean, and the right basket: before grinding. */
  'ready',
  /** Purged, even, clumps: the bed after grinding. */
  'bed',
  'stream',
  'puck',
  /** Less usual signs, looked for in one look each. */
  'signs',
  /** "Serve it, or pull again?" */
  'serve',
  /** By eye, in words of flow. */
  'first-call',
  'final-call',
  /** Two taste, each on a note of their own. */
  'notes',
] as const
export type FocusPart = (typeof FOCUS_PARTS)[number]

/** What a training looks at. What is off is not asked, shown, judged or charged. */
export interface Focus {
  on: FocusPart[]
  /** First call and tasting notes, where they are on, are asked of every so manyth shot of each one's. */
  fullEvery: number
}

/** A tablet that is passed round cools the cup, and ten cups tire a tongue. */
const USUAL_FULL_EVERY = 3

/** What is shipped for a training to look at, from the first week on. */
export const FOCUS_NAMES = ['first-week', 'clock-and-weight', 'grind-and-taste', 'all'] as const
export type FocusName = (typeof FOCUS_NAMES)[number]

const PARTS_OF: Record<FocusName, readonly FocusPart[]> = {
  'first-week': ['dose', 'tamp'],
  'clock-and-weight': ['dose', 'tamp', 'yield', 'time', 'ready', 'stream', 'serve', 'final-call'],
  'grind-and-taste': [
    ...(['dose', 'yield', 'time', 'taste', 'bed', 'stream', 'puck', 'signs'] as const),
    ...(['serve', 'first-call', 'final-call', 'notes'] as const),
  ],
  all: FOCUS_PARTS,
}

/** The focus by this name, as it is shipped. */
export function focusNamed(name: FocusName): Focus {
  return { on: [...PARTS_OF[name]], fullEvery: USUAL_FULL_EVERY }
}

/** What a training looks at in which this is to be practised. */
export const FOCUS_FOR: Readonly<Record<Skill, FocusName>> = {
  prep: 'clock-and-weight',
  dose: 'first-week',
  tamp: 'first-week',
  yield: 'clock-and-weight',
  time: 'clock-and-weight',
  alike: 'clock-and-weight',
  taste: 'grind-and-taste',
  call: 'grind-and-taste',
}

/** What a training looks at where nobody has said otherwise. */
export const FOCUS_ON_ALL: Focus = focusNamed('all')

/** The name of a focus by what is on; null for one of somebody's own. */
export function nameOfFocus({ on }: Pick<Focus, 'on'>): FocusName | null {
  return FOCUS_NAMES.find((name) => isSameSet(PARTS_OF[name], on)) ?? null
}

/** Whether two look at the same, as often. */
export function isSameFocus(one: Focus, other: Focus): boolean {
  return one.fullEvery === other.fullEvery && isSameSet(one.on, other.on)
}

function isSameSet(one: readonly FocusPart[], other: readonly FocusPart[]): boolean {
  const [these, those] = [new Set(one), new Set(other)]
  return these.size === those.size && [...these].every((part) => those.has(part))
}

/** Whether a part is looked at; where there is no focus all are. */
export function isLookedAt(focus: Focus | null | undefined, part: FocusPart): boolean {
  return focus == null || focus.on.includes(part)
}

/** What a step of the bar is there for: it is shown where any of it is looked at. */
const STEP_IS_FOR: Record<BarStep, readonly FocusPart[]> = {
  ready: ['ready', 'time'],
  dose: ['dose', 'bed'],
  tamp: ['tamp'],
  pull: ['yield', 'time'],
  cup: ['yield'],
  look: ['stream', 'puck', 'serve', 'signs'],
  taste: ['taste'],
}

/** Whether a step of the bar asks for anything that is looked at. */
export function isStepAsked(focus: Focus | null | undefined, step: BarStep): boolean {
  return STEP_IS_FOR[step].some((part) => isLookedAt(focus, part))
}

/** What the facts of a step are asked for, in sight and folded; those by a control of their own say so themselves. */
const FACTS_ARE_FOR: Record<BarStep, Record<'first' | 'more', FocusPart>> = {
  ready: { first: 'ready', more: 'ready' },
  dose: { first: 'bed', more: 'bed' },
  tamp: { first: 'tamp', more: 'tamp' },
  pull: { first: 'stream', more: 'stream' },
  cup: { first: 'yield', more: 'yield' },
  look: { first: 'serve', more: 'signs' },
  taste: { first: 'taste', more: 'taste' },
}

/** Whether the facts that stand at this place of a step are asked for. */
export function areFactsAsked(
  focus: Focus | null | undefined,
  step: BarStep,
  place: 'first' | 'more',
): boolean {
  return isLookedAt(focus, FACTS_ARE_FOR[step][place])
}

/** Whether it is looked at nothing but what comes before the water: then there is no cup to say anything of. */
export function isOfHandsOnly(focus: Focus | null | undefined): boolean {
  return (['yield', 'time', 'taste'] as const).every((kind) => !isLookedAt(focus, kind))
}

/** What is said before the reading of one shot. */
export interface WordsAsked {
  isCallAsked: boolean
  isFirstCallAsked: boolean
  areNotesAsked: boolean
}

/**
 * What whoever pulls is asked to say of a shot before its reading opens: one final call as a rule; the first call and both
 * notes every so manyth shot, and of each in a set.
 * @param turn which of their shots in the training this is, from 1
 */
export function wordsAsked(focus: Focus, turn: number, isSet: boolean): WordsAsked {
  const isFull = isSet || turn % focus.fullEvery === 0
  const isCallAsked = isSet || isLookedAt(focus, 'final-call')
  const isAsked = (part: FocusPart) => isCallAsked && isFull && (isSet || isLookedAt(focus, part))
  return {
    isCallAsked,
    isFirstCallAsked: isAsked('first-call'),
    areNotesAsked: isAsked('notes') && isAsked('taste'),
  }
}
