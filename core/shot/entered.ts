import type { Sign } from './signs.ts'

/** Signs that the bar has a box for: ticked is seen, left empty is not said. */
export const SIGNS_TICKED = [
  'thin-crema',
  'foamy-crema',
  'dry-patches',
  'screen-mark',
  'steam-at-flush',
  'first-shot-of-day',
] as const satisfies readonly Sign[]

/** Signs that the marks of a running shot say (`signsOfMarks`): true or false, where that mark was used at all. */
export const SIGNS_MARKED = [
  'several-streams',
  'drips-only',
  'pressure-low',
  'pressure-high',
  'early-blonding',
] as const satisfies readonly Sign[]

const ONLY_WHEN_SEEN: ReadonlySet<Sign> = new Set([...SIGNS_TICKED, 'several-streams'])

/** Whether this can be entered of a sign at the bar. */
export function canBeEntered(sign: Sign, isSeen: boolean): boolean {
  if (ONLY_WHEN_SEEN.has(sign)) return isSeen
  return SIGNS_MARKED.some((each) => each === sign)
}
