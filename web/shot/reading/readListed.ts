import { type RecipeRevision, type ShotSummary, recordedOf } from '@calm-apron/contract'
import { type Readings, readRecorded } from '@calm-apron/core'

/** Reads a shot as any list, page or chart does. */
export function readListed({ shot, recipe }: { shot: ShotSummary; recipe: RecipeRevision }): Readings {
  return readRecorded(recordedOf(shot), recipe.targets)
}
