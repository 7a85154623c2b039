import type { ShotClock } from './facts.ts'
import type { Stream } from './seen.ts'
import type { SignsSeen } from './signs.ts'
import type { MarkAt } from './notes.ts'

/** What can be marked by one tap while a shot runs. */
export const FLOW_MARKS = [
  'honey',
  'watery',
  'dripping',
  'spurting',
  'one-side',
  'several-streams',
  'sides-change',
  'striped',
  'drop-early',
  'drop-late',
  'dark',
  'golden',
  'pale',
  'gauge-low',
  'gauge-in-zone',
  'gauge-high',
  'sound',
] as const
export type FlowMark = (typeof FLOW_MARKS)[number]

/** A stream that turns pale before this share of the flowing time has blonded early; usual is the last quarter. */
const EARLY_PALE_SHARE = 0.55

/**
 * What marks say in the words that the diagnosis knows. A gauge that stood in its zone was looked at and was right.
 * @param clock null where the shot was not timed: then nothing is said of early and late
 */
export function signsOfMarks(marks: readonly MarkAt[], clock: ShotClock | null): SignsSeen {
  const seen: SignsSeen = {}
  const has = (mark: FlowMark) => marks.some((each) => each.mark === mark)
  if (has('several-streams')) seen['several-streams'] = true
  if (has('sides-change')) seen['sides-change'] = true
  if (has('drop-early')) seen['early-first-drop'] = true
  if (has('drop-late')) seen['late-first-drop'] = true
  if (has('dripping')) seen['drips-only'] = true
  if (has('honey')) seen['drips-only'] = false
  if (has('gauge-low') || has('gauge-in-zone') || has('gauge-high')) {
    seen['pressure-low'] = has('gauge-low')
    seen['pressure-high'] = has('gauge-high')
  }
  const pale = marks.find(({ mark }) => mark === 'pale')
  if (pale && clock) {
    const fromS = clock.firstDropS ?? 0
    seen['early-blonding'] = pale.atS - fromS < EARLY_PALE_SHARE * (clock.stopS - fromS)
  }
  // Stripes are a part of the bed that has given all it had.
  if (has('striped')) seen['early-blonding'] = true
  return seen
}

/** The stream as marked, the worst that was seen; null where nothing was marked of it. */
export function streamOfMarks(marks: readonly MarkAt[]): Stream | null {
  const has = (mark: FlowMark) => marks.some((each) => each.mark === mark)
  if (has('spurting')) return 'spurting'
  if (has('one-side')) return 'one-sided'
  return has('honey') ? 'even' : null
}
