import type { RecipeRevision } from '@calm-apron/contract'
import { type DoseMethod, isCountMethod } from '@calm-apron/core'
import type { ShotDraft } from '../draft/shotDraft.ts'

/** How a dose is measured: as was said of this one, else as its recipe does. */
export function doseMethodIn(
  { noted }: Pick<ShotDraft, 'noted'>,
  recipe: Pick<RecipeRevision, 'method'> | null,
): DoseMethod {
  return noted.doseMethod ?? recipe?.method.doseBy ?? 'scale'
}

/** Whether a weight was typed: then it is one, however the house measures. */
export function isDoseWeighed({ dose }: Pick<ShotDraft, 'dose'>): boolean {
  return (dose.way === 'net' ? dose.netText : dose.grossText).trim() !== ''
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
