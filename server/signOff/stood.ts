import { type AssessmentState, assessmentState } from '@calm-apron/core'
import type { StoredAssessment } from './queries.ts'

/** An assessment with how it stands. */
export interface Stood extends StoredAssessment {
  state: AssessmentState
}

/** Assessments with how each stands by now. */
export function stoodAt(all: readonly StoredAssessment[], now: Date): Stood[] {
  return all.flatMap((stored) => {
    const state = assessmentState(stored.events, now)
    return state === null ? [] : [{ ...stored, state }]
  })
}
