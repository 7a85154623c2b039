import { type AssessmentState, type Outcomes, openParts, repeatedFrom } from './assessment.ts'
import type { Programme, SignedPart } from './programme.ts'

/** Why a sign-off should be looked at again; it takes nothing away. */
export const LOOK_AGAIN = ['age', 'away', 'equipment', 'shift'] as const
/** The same, one of them. */
export type LookAgain = (typeof LOOK_AGAIN)[number]

/** An assessment with how it stands. */
export interface StoodAssessment {
  assessmentId: string
  state: AssessmentState
}

/** How somebody stands in one programme. */
export type SignedOff =
  | { is: 'none' }
  | { is: 'running' | 'to-decide' | 'under-appeal'; assessmentId: string }
  /** Only what is open is repeated, from the day after. */
  | { is: 'not-yet'; assessmentId: string; open: SignedPart[]; from: string }
  | { is: 'signed'; assessmentId: string; at: string; lookAgain: LookAgain[] }
  | { is: 'withdrawn'; assessmentId: string }

const MS_PER_DAY = 86_400_000
const DAYS_PER_MONTH = 30.4375

/** What is known besides of whoever was signed off. */
export interface SinceSigned {
  lastShotAt: string | null
  /** Whether other equipment stands at the bar than they were signed off on. */
  isEquipmentNew: boolean
  hasShifted: boolean
}

/**
 * How somebody stands in one programme, by their assessments in it, oldest first: parts that were repeated take the place of those
 * before.
 */
export function signedOff(
  assessments: readonly StoodAssessment[],
  { holds }: Pick<Programme, 'holds'>,
  { lastShotAt, isEquipmentNew, hasShifted }: SinceSigned,
  now: Date,
): SignedOff {
  const last = assessments.findLast(({ state }) => state.stage !== 'kept')
  if (last === undefined) return { is: 'none' }
  const { assessmentId, state } = last
  if (state.stage === 'running' || state.stage === 'to-decide') return { is: state.stage, assessmentId }
  if (state.stage === 'appealed' || state.stage === 'reviewed') return { is: 'under-appeal', assessmentId }
  if (state.stage === 'withdrawn') return { is: 'withdrawn', assessmentId }
  const outcomes = outcomesWith(assessments, last)
  const open = openParts(outcomes)
  const at = state.decided?.at ?? state.begunAt
  if (open.length > 0) return { is: 'not-yet', assessmentId, open, from: repeatedFrom(at) }
  const sinceMs = now.getTime() - Date.parse(at)
  const awayMs = lastShotAt === null ? sinceMs : now.getTime() - Date.parse(lastShotAt)
  const lookAgain: LookAgain[] = [
    ...(sinceMs > holds.months * DAYS_PER_MONTH * MS_PER_DAY ? (['age'] as const) : []),
    ...(awayMs > holds.awayWeeks * 7 * MS_PER_DAY ? (['away'] as const) : []),
    ...(isEquipmentNew ? (['equipment'] as const) : []),
    ...(hasShifted ? (['shift'] as const) : []),
  ]
  return { is: 'signed', assessmentId, at, lookAgain }
}

/** What holds of each part after this assessment and those that it repeats parts of. */
function outcomesWith(assessments: readonly StoodAssessment[], last: StoodAssessment): Outcomes {
  const byId = new Map(assessments.map((each) => [each.assessmentId, each]))
  const outcomes = new Map<SignedPart, Outcomes[number]>()
  const seen = new Set<string>()
  for (let each: StoodAssessment | undefined = last; each !== undefined && !seen.has(each.assessmentId);) {
    seen.add(each.assessmentId)
    for (const outcome of each.state.outcomes)
      if (!outcomes.has(outcome.part)) outcomes.set(outcome.part, outcome)
    each = each.state.setup.after === undefined ? undefined : byId.get(each.state.setup.after)
  }
  return [...outcomes.values()]
}
