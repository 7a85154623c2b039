import type { Sign } from './signs.ts'

/**
 * Signs that the bar has a box for, by the moment at which they are to be seen: ticked is seen, left empty is not said.
 * The screen's mark counts on the dry bed only; a spent puck has swollen and is marked anyway.
 */
export const SIGN_BOXES = {
  ready: ['first-shot-of-day', 'steam-at-flush'],
  tamp: ['screen-mark'],
  look: ['thin-crema', 'foamy-crema', 'dry-patches'],
} as const satisfies Record<string, readonly Sign[]>

export const SIGNS_TICKED = [...SIGN_BOXES.ready, ...SIGN_BOXES.tamp, ...SIGN_BOXES.look] as const

/** Signs that the marks of a running shot say (`signsOfMarks`): true or false, where that mark was used at all. */
export const SIGNS_MARKED = [
  'several-streams',
  'drips-only',
  'pressure-low',
  'pressure-high',
  'early-blonding',
] as const satisfies readonly Sign[]

/** Signs that nobody enters because they follow from what is known: from the scale's end, and from shots at one setting. */
export const SIGNS_DERIVED = [
  'at-finest-setting',
  'alternates',
  'times-scatter',
  'times-fall',
] as const satisfies readonly Sign[]

/**
 * Every sign that can come to be known at the bar today. The boxes there are made from these lists, and a look can only
 * ask for what stands in one of them.
 */
export type EnteredSign =
  (typeof SIGNS_TICKED)[number] | (typeof SIGNS_MARKED)[number] | (typeof SIGNS_DERIVED)[number]

const ONLY_WHEN_SEEN: ReadonlySet<Sign> = new Set([...SIGNS_TICKED, 'several-streams'])

/** Whether this can be entered of a sign at the bar. */
export function canBeEntered(sign: Sign, isSeen: boolean): boolean {
  if (ONLY_WHEN_SEEN.has(sign)) return isSeen
  return SIGNS_MARKED.some((each) => each === sign)
}
