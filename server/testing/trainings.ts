import type { TrainingSetup } from '@calm-apron/core'
import { newId, shotOf } from './serve.ts'

/** A training at the demo's first bar, in which these sit at one group. */
export function setupOf(
  people: readonly { personId: string }[],
  part: Partial<TrainingSetup> = {},
): TrainingSetup {
  const { barId, recipeRevisionId, grinderId, bagId } = shotOf()
  return {
    barId,
    recipeRevisionId,
    grinderId,
    bagId,
    seats: people.map(({ personId }) => ({ personId, machineId: null, groupNo: 0 })),
    routineId: null,
    purpose: 'practice',
    grindOwner: 'trainer',
    ...part,
  }
}

/** A stage that somebody tells of themselves, before their shot. */
export const stageOf = ({ personId }: { personId: string }) => ({
  personId,
  shotId: newId(),
  step: 'dose',
  phase: 'before',
  pumpS: 0,
  weightG: 18.1,
  at: new Date().toISOString(),
})
