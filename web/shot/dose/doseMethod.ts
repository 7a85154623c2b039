import type { RecipeRevision } from '@calm-apron/contract'
import { type DoseMethod, isCountMethod } from '@calm-apron/core'
import type { ShotDraft, WeighingEntry } from '../draft/shotDraft.ts'

/** How a dose is measured: as was said of this one, else as its recipe does. */
export function doseMethodIn(
  { noted }: Pick<ShotDraft, 'noted'>,
  recipe: Pick<RecipeRevision, 'method'> | null,
): DoseMethod {
  return noted.doseMethod ?? recipe?.method.doseBy ?? 'scale'
}

/** Whether a weight was typed: then it is one, however the house measures. */
function isWeighed({ way, netText, grossText }: WeighingEntry): boolean {
  return (way === 'net' ? netText : grossText).trim() !== ''
}

export function isDoseWeighed({ dose }: Pick<ShotDraft, 'dose'>): boolean {
  return isWeighed(dose)
}

/** Where a dose is not weighed nobody looks for a scale under the cup either: the line on the glass comes first. */
export function isLineFirst(
  draft: Pick<ShotDraft, 'noted' | 'cup'>,
  recipe: Pick<RecipeRevision, 'method' | 'targets'> | null,
): boolean {
  return (
    recipe?.targets.school.volume === null && doseMethodIn(draft, recipe) !== 'scale' && !isWeighed(draft.cup)
  )
}

/** What is asked of a dose that is measured so. */
export function doseAsks(
  draft: Pick<ShotDraft, 'dose' | 'noted'>,
  recipe: Pick<RecipeRevision, 'method'> | null,
): 'dose' | 'dose-seen' | 'dose-counted' {
  const method = doseMethodIn(draft, recipe)
  if (method === 'scale' || isDoseWeighed(draft)) return 'dose'
  return isCountMethod(method) ? 'dose-counted' : 'dose-seen'
}
