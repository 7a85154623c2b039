import type { AuditKind, LiveNews } from '@calm-apron/contract'
import type { Trace } from './trace.ts'

type About = 'shot' | 'prepared' | 'people'

/**
 * What those who follow are told of a trace. Null: nothing on a screen is another by it, or it is told where more of it
 * is known (a training, and which training a shot is of; an assessment).
 */
const ABOUT: Record<AuditKind, About | null> = {
  'academy-made': null,
  'academy-changed': 'people',
  'shot-recorded': null,
  'shot-corrected': null,
  'prepared-made': 'prepared',
  'prepared-changed': 'prepared',
  'prepared-archived': 'prepared',
  'prepared-restored': 'prepared',
  'call-made': 'shot',
  'call-skipped': 'shot',
  'reading-overruled': 'shot',
  'shot-repurposed': 'shot',
  'photo-added': 'shot',
  'take-home-given': null,
  'assessment-begun': null,
  'assessment-ended': null,
  'assessment-decided': null,
  'assessment-appealed': null,
  'assessment-reviewed': null,
  'assessment-answered': null,
  'assessment-settled': null,
  'sign-off-withdrawn': null,
  'training-started': null,
  'training-changed': null,
  'training-ended': null,
  'training-reopened': null,
  'slip-filled': 'shot',
  'slip-corrected': 'shot',
  'slip-skipped': 'shot',
  'claim-confirmed': null,
  'claim-denied': null,
  'tablet-handed': null,
  'tablet-taken-back': null,
  'set-aside-kept': null,
  'set-aside-dropped': null,
  'person-added': 'people',
  'person-renamed': 'people',
  'role-changed': 'people',
  'person-ended': 'people',
  'person-reopened': 'people',
  'person-exported': null,
  'person-erased': 'people',
  'link-made': null,
  'link-used': null,
  'password-changed': null,
  'pin-changed': null,
}

export function newsOf({ kind, subjectId }: Pick<Trace, 'kind' | 'subjectId'>): LiveNews | null {
  switch (ABOUT[kind]) {
    case 'shot':
      return { kind: 'shot', shotId: subjectId, trainingId: null }
    case 'prepared':
      return { kind: 'prepared', preparedId: subjectId }
    case 'people':
      return { kind: 'people' }
    case null:
      return null
  }
}
