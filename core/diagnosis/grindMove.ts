import type { GrinderScale } from '../equipment/equipment.ts'
import { finestAdvised } from '../equipment/fineEnd.ts'
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
  const farOut = flow.state === 'choking' || flow.state === 'gushing'
  const wanted = farOut ? THRESHOLDS.grindMoveStepsFarOut : THRESHOLDS.grindMoveSteps
  const { setting, grinder } = grind
  if (setting === null || grinder === null)
    return { lever: 'grind', direction, steps: wanted, toSetting: null }
  const toSetting = settingAfter(direction, wanted, setting, grinder, finestOf(setting, grinder, grind))
  const steps = Math.max(1, Math.round(Math.abs(toSetting - setting) / grinder.settingStep))
  return { lever: 'grind', direction, steps, toSetting }
}

/** Whether no finer setting may be advised. */
export function isAtFinest(grind: GrindContext): boolean {
  const { setting, grinder } = grind
  if (setting === null || grinder === null) return false
  const finest = finestOf(setting, grinder, grind)
  return grinder.finerIs === 'lower' ? setting <= finest : setting >= finest
}

/** It ran where it was, so that no margin forbids that. */
function finestOf(setting: number, grinder: GrinderScale, { ranAt = [] }: GrindContext): number {
  return finestAdvised(grinder, [...ranAt, setting])
}

function settingAfter(
  direction: GrindMove['direction'],
  steps: number,
  setting: number,
  { minSetting, maxSetting, settingStep, finerIs }: GrinderScale,
  finest: number,
): number {
  const upwards = (direction === 'finer') === (finerIs === 'higher')
  const wanted = setting + (upwards ? steps : -steps) * settingStep
  const [from, to] = finerIs === 'lower' ? [finest, maxSetting] : [minSetting, finest]
  return Math.round(Math.min(to, Math.max(from, wanted)) * 1000) / 1000
}
