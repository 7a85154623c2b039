import type { ShotSummary, TodayGrinder } from '@calm-apron/contract'
import type { ShotContext } from '@calm-apron/core'

/** What a grinder did in the session before a shot: its last move, and where it ran. */
export interface GrindBefore {
  grindMoved: ShotContext['grindMoved']
  ranAt: number[]
}

/**
 * The last move of the grinder before this shot, and the settings at which it ran in the same session.
 * @param onGrinder shots on that grinder, newest first; no move is told where the one before is not among them
 */
export function grindBefore(
  shot: ShotSummary,
  onGrinder: readonly ShotSummary[],
  grinder: TodayGrinder | null,
  sessionMs: number,
): GrindBefore {
  const settingOf = (each: ShotSummary) => each.current.facts.grindSetting
  const pulledMs = Date.parse(shot.pulledAt)
  const inSession = onGrinder.filter(
    (each) => each.shotId !== shot.shotId && Math.abs(pulledMs - Date.parse(each.pulledAt)) < sessionMs,
  )
  const ranAt = inSession.flatMap((each) => settingOf(each) ?? [])
  const last = inSession.find((each) => Date.parse(each.pulledAt) < pulledMs)
  const [now, then] = [settingOf(shot), last ? settingOf(last) : null]
  if (grinder === null || now === null || then === null) return { grindMoved: null, ranAt }
  const steps = Math.round(Math.abs(now - then) / grinder.settingStep)
  const isFiner = now < then === (grinder.finerIs === 'lower')
  return { grindMoved: { direction: isFiner ? 'finer' : 'coarser', steps }, ranAt }
}
