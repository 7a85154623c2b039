import type { GrinderScale } from '../equipment/equipment.ts'
import { scaleToAdvise } from '../equipment/fineEnd.ts'
import { roundSetting } from '../equipment/grinder.ts'
import { ranFarOut } from '../reading/flow.ts'
import type { Flow } from '../reading/types.ts'
import { THRESHOLDS } from '../thresholds.ts'
import type { Move } from './types.ts'

/** What was set at the grinder when the shot was pulled. */
export interface GrindContext {
  setting: number | null
  grinder: GrinderScale | null
  /** Other settings at which this grinder is known to have run, with its inner burr where it is now. */
  ranAt?: readonly number[]
}

type GrindMove = Extract<Move, { lever: 'grind' }>

/**
 * One grind move: more steps only when it gushed or choked, and never past the finest setting that may be advised.
 * `toSetting` is null when the setting or the grinder's scale is unknown.
 */
export function grindMove(direction: GrindMove['direction'], flow: Flow, grind: GrindContext): GrindMove {
  const wanted = ranFarOut(flow) ? THRESHOLDS.grindMoveStepsFarOut : THRESHOLDS.grindMoveSteps
  const { setting, grinder } = grind
  if (setting === null || grinder === null)
    return { lever: 'grind', direction, steps: wanted, toSetting: null }
  const toSetting = settingAfter(direction, wanted, setting, advisable(setting, grinder, grind))
  const steps = Math.max(1, Math.round(Math.abs(toSetting - setting) / grinder.settingStep))
  return { lever: 'grind', direction, steps, toSetting }
}

/** Whether no finer setting may be advised. */
export function isAtFinest(grind: GrindContext): boolean {
  const { setting, grinder } = grind
  if (setting === null || grinder === null) return false
  const { finerIs, minSetting, maxSetting } = advisable(setting, grinder, grind)
  return finerIs === 'lower' ? setting <= minSetting : setting >= maxSetting
}

/** The scale as far as it may be advised; it ran where it was, so that no margin forbids that. */
function advisable(setting: number, grinder: GrinderScale, { ranAt = [] }: GrindContext): GrinderScale {
  return scaleToAdvise(grinder, [...ranAt, setting])
}

function settingAfter(
  direction: GrindMove['direction'],
  steps: number,
  setting: number,
  { minSetting, maxSetting, settingStep, finerIs }: GrinderScale,
): number {
  const upwards = (direction === 'finer') === (finerIs === 'higher')
  const wanted = setting + (upwards ? steps : -steps) * settingStep
  return roundSetting(Math.min(maxSetting, Math.max(minSetting, wanted)))
}
