import type { AssessmentKind, AssessmentStage, AssessmentState } from './assessment.ts'

/** So long it can be asked to be looked at again. */
const APPEAL_MS = 14 * 86_400_000

/** Who asks to do something in it, as far as it matters. */
export interface AssessmentAsker {
  personId: string
  isTeaching: boolean
  isHead: boolean
  /** Whether nobody else could do it: in a house where one person teaches, they assess whom they trained. */
  isOnlyTeacher: boolean
}

/** Why something can't be done in an assessment. */
export const ASSESSMENT_REFUSALS = ['not-theirs', 'not-now', 'too-late', 'somebody-else'] as const
/** The same, one of them. */
export type AssessmentRefusal = (typeof ASSESSMENT_REFUSALS)[number]

/** From which stages each can happen. */
const FROM: Record<Exclude<AssessmentKind, 'begun'>, readonly AssessmentStage[]> = {
  ticked: ['to-decide'],
  closed: ['running'],
  // Late where it had waited on a device; what was tasted after all was opened counts for nothing.
  tasted: ['running', 'to-decide'],
  decided: ['to-decide'],
  appealed: ['signed', 'not-yet'],
  reviewed: ['appealed'],
  answered: ['appealed', 'reviewed'],
  settled: ['reviewed', 'appealed'],
  withdrawn: ['signed'],
}

/**
 * Whether somebody may do something in an assessment as it stands; null where they may. Nobody signs themselves; who looks at it
 * again is somebody else; only whoever was assessed appeals or answers; the head settles and withdraws.
 */
export function assessmentRefusal(
  state: AssessmentState,
  kind: Exclude<AssessmentKind, 'begun'>,
  asker: AssessmentAsker,
  now: Date,
): AssessmentRefusal | null {
  const isOwn = asker.personId === state.setup.personId
  if (kind === 'appealed' || kind === 'answered') {
    if (!isOwn) return 'not-theirs'
  } else if (isOwn || !asker.isTeaching) return 'not-theirs'
  if ((kind === 'settled' || kind === 'withdrawn') && !asker.isHead) return 'not-theirs'
  const isFirst = asker.personId === state.decided?.by
  if (kind === 'reviewed' && isFirst && !asker.isOnlyTeacher) return 'somebody-else'
  if (!FROM[kind].includes(state.stage)) return 'not-now'
  if (kind === 'tasted' && !state.setup.isTasted) return 'not-now'
  // What was settled once is settled.
  if (kind === 'appealed' && state.settledAt !== null) return 'not-now'
  if (kind === 'settled' && state.stage === 'appealed' && !asker.isOnlyTeacher) return 'not-now'
  const decidedAt = state.decided === null ? null : Date.parse(state.decided.at)
  if (kind === 'appealed' && decidedAt !== null && now.getTime() - decidedAt > APPEAL_MS) return 'too-late'
  return null
}

/**
 * Whether somebody began, ended or decided the first set of one that is pulled afresh, where one of those who teach did not: then
 * they don't assess the fresh one.
 * @param teaching how many people teach
 */
export function hasSeenFirst(
  { begunBy, closed, decided }: Pick<AssessmentState, 'begunBy' | 'closed' | 'decided'>,
  personId: string,
  teaching: number,
): boolean {
  const seen = new Set([
    begunBy,
    ...(closed === null ? [] : [closed.by]),
    ...(decided === null ? [] : [decided.by]),
  ])
  return seen.has(personId) && teaching > seen.size
}
