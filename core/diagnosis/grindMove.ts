import type { GrinderScale } from '../equipment/equipment.ts'
import type { Flow } from '../reading/types.ts'
import { THRESHOLDS } from '../thresholds.ts'
import type { Move } from './types.ts'

/** What was set at the grinder when the shot was pulled. */
export interface GrindContext {
  setting: number | null
  grinder: GrinderScale | null
}

/**
 * One grind move towards the window: more steps only when it gushed or choked. `toSetting` is null when the
 * setting or the grinder's scale is unknown; it never leaves the scale.
 */
export function grindMove(flow: Flow, { setting, grinder }: GrindContext): Extract<Move, { lever: 'grind' }> {
  const farOut = flow.state === 'choking' || flow.state === 'gushing'
  const steps = farOut ? THRESHOLDS.grindMoveStepsFarOut : THRESHOLDS.grindMoveSteps
  const direction = flow.state === 'choking' || flow.state === 'slow' ? 'coarser' : 'finer'
  return { lever: 'grind', direction, steps, toSetting: settingAfter(direction, steps, setting, grinder) }
}

/** Whether the scale ends here. */
export function isAtFinest({ setting, grinder }: GrindContext): boolean {
  if (setting === null || grinder === null) return false
  return grinder.finerIs === 'lower' ? setting <= grinder.minSetting : setting >= grinder.maxSetting
}

function settingAfter(
  direction: 'finer' | 'coarser',
  steps: number,
  setting: number | null,
  grinder: GrinderScale | null,
): number | null {
  if (setting === null || grinder === null) return null
  const upwards = (direction === 'finer') === (grinder.finerIs === 'higher')
  const wanted = setting + (upwards ? steps : -steps) * grinder.settingStep
  const onScale = Math.min(grinder.maxSetting, Math.max(grinder.minSetting, wanted))
  return Math.round(onScale * 1000) / 1000
}
