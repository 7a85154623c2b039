import { trainingOrder } from './trainingOrder.ts'
import type { LockedSetting, RecheckReason, TrainingEvent } from './trainingState.ts'

/** A setting that held for a while: from when, by whom, and until when. */
export interface LockHeld {
  lock: LockedSetting
  at: string
  by: string
  /** Null as long as it holds; `why` is null where another setting took its place. */
  until: { at: string; why: RecheckReason | null } | null
}

const isSame = (one: LockedSetting, other: LockedSetting) =>
  one.grinderId === other.grinderId &&
  one.recipeRevisionId === other.recipeRevisionId &&
  one.setting === other.setting

/** Every setting that was locked in a training, in the order in which they held; one that was only confirmed is the same. */
export function locksHeld(events: readonly TrainingEvent[]): LockHeld[] {
  const held: LockHeld[] = []
  const end = (at: string, why: RecheckReason | null) => {
    const last = held.at(-1)
    if (last !== undefined && last.until === null) last.until = { at, why }
  }
  for (const { happening, at, by } of trainingOrder(events)) {
    if (happening.kind === 'unlocked') end(at, happening.why)
    if (happening.kind !== 'locked') continue
    const last = held.at(-1)
    if (last !== undefined && last.until === null && isSame(last.lock, happening.lock)) continue
    end(at, null)
    held.push({ lock: happening.lock, at, by, until: null })
  }
  return held
}

/** What of a shot tells whether it was pulled as locked. */
export interface PulledAt {
  pulledAt: string
  grinderId: string | null
  recipeRevisionId: string
  /** Null where nobody noted it. */
  grindSetting: number | null
}

/** The shots that were pulled at another setting than the one locked just then for their grinder and recipe, each with that lock. */
export function departures<S extends PulledAt>(
  held: readonly LockHeld[],
  shots: readonly S[],
): { shot: S; lock: LockedSetting }[] {
  return shots.flatMap((shot) => {
    const its = held.find(
      ({ lock, at, until }) =>
        at <= shot.pulledAt &&
        (until === null || shot.pulledAt < until.at) &&
        lock.grinderId === shot.grinderId &&
        lock.recipeRevisionId === shot.recipeRevisionId,
    )
    const isAway = its !== undefined && shot.grindSetting !== null && shot.grindSetting !== its.lock.setting
    return isAway ? [{ shot, lock: its.lock }] : []
  })
}
