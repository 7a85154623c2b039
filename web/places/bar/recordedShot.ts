import type { ShotInput } from '@calm-apron/contract'
import { type ShotDraft, faultShownOf } from '../../shot/draft/shotDraft.ts'

/** What of a shot the draft does not say by itself. */
type Known = Pick<ShotInput, 'facts' | 'series' | 'judgedBy' | 'isSimulated'>

/** A shot as it is recorded, field by field: what else a draft holds stays on the device. */
export function recordedShot(draft: ShotDraft, { facts, series, judgedBy, isSimulated }: Known): ShotInput {
  const { assessmentId } = draft
  return {
    personId: draft.personId,
    recipeRevisionId: draft.recipeRevisionId,
    barId: draft.barId,
    grinderId: draft.grinderId,
    bagId: draft.bagId,
    machineId: draft.machineId,
    groupNo: draft.groupNo,
    trainingId: draft.trainingId,
    purpose: draft.purpose,
    faultShown: draft.purpose === 'deliberate-fault' ? faultShownOf(draft) : null,
    isSimulated,
    grindOwner: draft.grindOwner,
    isCallAsked: draft.isCallAsked,
    isFirstCallAsked: draft.isFirstCallAsked,
    areNotesAsked: draft.areNotesAsked,
    ...(assessmentId !== undefined && { assessmentId }),
    focus: draft.focus,
    judgedBy,
    pulledAt: draft.madeAt,
    facts,
    series,
    note: draft.note.trim(),
  }
}
