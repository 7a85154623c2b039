import type { TrainingSetup } from '@calm-apron/core'
import { shotOf } from './serve.ts'

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
