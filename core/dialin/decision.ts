import type { Spot } from './options.ts'
import type { DialInReason, DialInStep } from './types.ts'

/** What to do next, where, and why. */
export interface Decision {
  step: DialInStep
  spot: Spot
  why: DialInReason[]
}
