import type { ShotDraft } from '../draft/shotDraft.ts'

/**
 * Whether a shot that is under way is pulled in a set, counted or before it: without help, and without a word of how it goes. A
 * trainer's reference is not.
 */
export function isOfSet({ purpose, assessmentId }: Pick<ShotDraft, 'purpose' | 'assessmentId'>): boolean {
  return purpose === 'assessment' || (assessmentId !== undefined && purpose !== 'reference')
}
