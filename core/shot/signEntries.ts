import type { BarStep } from './barSteps.ts'
import { SIGNS, type Sign } from './signs.ts'

export const SIGN_GROUPS = ['beans', 'start', 'bed', 'screen', 'flow', 'cup', 'tongue', 'others'] as const
/** Signs that are looked for in one look, in the order of the work. */
export type SignGroup = (typeof SIGN_GROUPS)[number]

/** Where a group is asked for; `isInstead` where the look says again what a measurement of that step says better. */
export const SIGNS_ASKED_AT: Record<SignGroup, { step: BarStep; isInstead?: true }> = {
  beans: { step: 'ready' },
  start: { step: 'ready' },
  bed: { step: 'dose', isInstead: true },
  screen: { step: 'tamp' },
  flow: { step: 'pull', isInstead: true },
  cup: { step: 'look' },
  tongue: { step: 'taste' },
  others: { step: 'look' },
}

/**
 * How a sign comes to be known: looked for by a hand, in one look with the others of its group; said by marks of the running
 * shot (`signsOfMarks`); or following from what is known, from the scale's end and from shots at one setting.
 */
export type SignEntry = { by: 'hand'; group: SignGroup } | { by: 'mark' } | { by: 'derived' }

const hand = <G extends SignGroup>(group: G) => ({ by: 'hand', group }) as const
const mark = { by: 'mark' } as const
const derived = { by: 'derived' } as const

/** How each sign that the judgement can use comes to be known: a sign without a way to be entered does not compile. */
export const SIGN_ENTRIES = {
  'oily-dark-beans': hand('beans'),
  'pre-ground-coffee': hand('beans'),
  'first-shot-of-day': hand('start'),
  'steam-at-flush': hand('start'),
  'dose-looks-low': hand('bed'),
  'dose-looks-high': hand('bed'),
  // It counts on the dry bed only: a spent puck has swollen and is marked anyway.
  'screen-mark': hand('screen'),
  'ran-fast': hand('flow'),
  'ran-slow': hand('flow'),
  'early-first-drop': mark,
  'late-first-drop': mark,
  'pressure-low': mark,
  'pressure-high': mark,
  'drips-only': mark,
  'several-streams': mark,
  'early-blonding': mark,
  'sides-change': mark,
  'dry-patches': hand('cup'),
  'thin-crema': hand('cup'),
  'foamy-crema': hand('cup'),
  'tastes-sour': hand('tongue'),
  'tastes-bright': hand('tongue'),
  'tastes-salty': hand('tongue'),
  'tastes-bitter': hand('tongue'),
  'tastes-watery': hand('tongue'),
  'tastes-harsh': hand('tongue'),
  'tastes-rancid': hand('tongue'),
  'tastes-ashy': hand('tongue'),
  'tastes-papery': hand('tongue'),
  'tastes-flat': hand('tongue'),
  'tastes-good': hand('tongue'),
  'same-for-everyone': hand('others'),
  'this-group-only': hand('others'),
  'same-at-every-grind': hand('others'),
  'between-two-settings': hand('others'),
  'yield-off-every-time': hand('others'),
  'at-finest-setting': derived,
  alternates: derived,
  'times-scatter': derived,
  'times-fall': derived,
} as const satisfies Record<Sign, SignEntry>

const entryOf = (sign: Sign): SignEntry => SIGN_ENTRIES[sign]

/** Signs that a hand looks for. */
export const SIGNS_BY_HAND: readonly Sign[] = SIGNS.filter((sign) => entryOf(sign).by === 'hand')
/** Signs that marks of the running shot say. */
export const SIGNS_MARKED: readonly Sign[] = SIGNS.filter((sign) => entryOf(sign).by === 'mark')

/** The signs of one look. */
export function signsIn(group: SignGroup): Sign[] {
  return SIGNS.filter((sign) => {
    const entry = entryOf(sign)
    return entry.by === 'hand' && entry.group === group
  })
}

/** The looks that are made at a step. */
export function signGroupsAt(step: BarStep): SignGroup[] {
  return SIGN_GROUPS.filter((group) => SIGNS_ASKED_AT[group].step === step)
}

/** What a mark can only say when it was seen: nobody marks that streams are one. */
const ONLY_WHEN_SEEN: ReadonlySet<Sign> = new Set([
  'several-streams',
  'sides-change',
  'early-first-drop',
  'late-first-drop',
])

/** Whether this can be entered of a sign at the bar. */
export function canBeEntered(sign: Sign, isSeen: boolean): boolean {
  const { by } = entryOf(sign)
  return by === 'hand' || (by === 'mark' && (isSeen || !ONLY_WHEN_SEEN.has(sign)))
}
