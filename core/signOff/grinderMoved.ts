import type { Programme } from './programme.ts'
import type { SetShot } from './setProgress.ts'

/** A shot that was pulled on the grinder of a set while that was on, but not in it. */
export interface ShotBeside {
  pulledAt: string
  grindSetting: number
}

/** What stands on the record of a set though nobody fails by it. */
export const SET_NOTICES = [
  /** Somebody else's shot ran at another setting between the set's own. */
  'grinder-moved-by-another',
  /** The trainer sets the grind, and it was moved between the counted shots. */
  'grinder-moved-within',
] as const
/** The same, one of them. */
export type SetNotice = (typeof SET_NOTICES)[number]

/**
 * Whether the grinder of a set was moved by somebody it was not theirs to move.
 * @param own the set's shots that count, oldest first
 * @param beside others' on the same grinder
 */
export function grinderMoved(
  own: readonly SetShot[],
  beside: readonly ShotBeside[],
  { grindOwner }: Pick<Programme, 'grindOwner'>,
): SetNotice[] {
  const set = own.flatMap(({ pulledAt, readings }) => {
    const { grindSetting } = readings.of.facts
    return grindSetting === null ? [] : [{ pulledAt, grindSetting }]
  })
  const [first, last] = [set[0], set.at(-1)]
  if (first === undefined || last === undefined) return []
  const isAnothers = beside.some(({ pulledAt, grindSetting }) => {
    if (pulledAt < first.pulledAt || pulledAt > last.pulledAt) return false
    return set.findLast((shot) => shot.pulledAt <= pulledAt)?.grindSetting !== grindSetting
  })
  const isMoved = set.some(({ grindSetting }) => grindSetting !== first.grindSetting)
  return [
    ...(isAnothers ? (['grinder-moved-by-another'] as const) : []),
    ...(grindOwner === 'trainer' && isMoved ? (['grinder-moved-within'] as const) : []),
  ]
}
