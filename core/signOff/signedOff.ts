import { type AssessmentState, type Outcomes, againUntil, openParts, repeatedFrom } from './assessment.ts'
import { partsOf } from './judgeSet.ts'
import type { Programme, SignedPart } from './programme.ts'

/** Why a sign-off should be looked at again; it takes nothing away. */
export const LOOK_AGAIN = ['age', 'away', 'equipment', 'shift', 'look-off'] as const
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
  | { is: 'running' | 'to-decide'; assessmentId: string }
  /** `afresh`: what a fresh set replaces; null while none is asked for. */
  | { is: 'under-appeal'; assessmentId: string; afresh: SignedPart[] | null }
  /** Only what is open is repeated, from the day after; what could not be judged fairly alone until then. */
  | { is: 'not-yet'; assessmentId: string; open: SignedPart[]; from: string; until: string | null }
  /** `lookedAt`: when it was last looked at again and found so; `look`: one that is on, or waits to be decided. */
  | {
      is: 'signed'
      assessmentId: string
      at: string
      lookedAt: string | null
      look: string | null
      lookAgain: LookAgain[]
    }
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
 * before. Two shots that look at a sign-off again confirm it, or ask for another look; they take nothing away.
 */
export function signedOff(
  assessments: readonly StoodAssessment[],
  { holds }: Pick<Programme, 'holds'>,
  since: SinceSigned,
  { now, timeZone }: { now: Date; timeZone: string },
): SignedOff {
  const all = assessments.filter(({ state }) => state.stage !== 'kept')
  const last = all.findLast(({ state }) => state.setup.isLook !== true)
  if (last === undefined) return { is: 'none' }
  const { assessmentId, state } = last
  if (state.stage === 'running' || state.stage === 'to-decide') return { is: state.stage, assessmentId }
  if (state.stage === 'appealed' || state.stage === 'reviewed')
    return { is: 'under-appeal', assessmentId, afresh: afreshAfter(state) }
  if (state.stage === 'withdrawn') return { is: 'withdrawn', assessmentId }
  const outcomes = outcomesWith(assessments, last)
  const open = openParts(outcomes)
  if (open.length > 0)
    return { is: 'not-yet', assessmentId, ...repeated({ ...state, outcomes }, open, { now, timeZone }) }
  return signedSince({ assessmentId, state }, all.slice(all.indexOf(last) + 1), { holds, since, now })
}

/** Who looked at it again asked for a fresh set: of what was not shown, or of all where all was. */
function afreshAfter({ reviewed, outcomes, setup }: AssessmentState): SignedPart[] | null {
  if (reviewed?.finding !== 'fresh-set') return null
  const open = openParts(outcomes)
  return open.length > 0 ? open : setup.parts
}

/** What could not be judged fairly alone is pulled again for so long; then all of it is. */
function repeated(
  state: AssessmentState,
  open: SignedPart[],
  { now, timeZone }: { now: Date; timeZone: string },
): Pick<SignedOff & { is: 'not-yet' }, 'open' | 'from' | 'until'> {
  const from = repeatedFrom(state.decided?.at ?? state.begunAt, timeZone)
  const until = againUntil(state)
  if (until === null) return { open, from, until: null }
  const isOver = now.getTime() > until.getTime()
  return isOver
    ? { open: state.outcomes.map(({ part }) => part), from, until: null }
    : { open, from, until: until.toISOString() }
}

function signedSince(
  { assessmentId, state }: StoodAssessment,
  looks: readonly StoodAssessment[],
  { holds, since, now }: { holds: Programme['holds']; since: SinceSigned; now: Date },
): SignedOff {
  const at = state.decided?.at ?? state.begunAt
  const isOn = (look: StoodAssessment) => look.state.stage === 'running' || look.state.stage === 'to-decide'
  const lookedAt = looks.findLast((look) => look.state.stage === 'signed')?.state.decided?.at ?? null
  const newest = looks.findLast((look) => !isOn(look))
  const sinceMs = now.getTime() - Date.parse(lookedAt ?? at)
  const { lastShotAt, isEquipmentNew, hasShifted } = since
  const awayMs = lastShotAt === null ? sinceMs : now.getTime() - Date.parse(lastShotAt)
  const lookAgain: LookAgain[] = [
    ...(sinceMs > holds.months * DAYS_PER_MONTH * MS_PER_DAY ? (['age'] as const) : []),
    ...(awayMs > holds.awayWeeks * 7 * MS_PER_DAY ? (['away'] as const) : []),
    ...(isEquipmentNew ? (['equipment'] as const) : []),
    ...(hasShifted ? (['shift'] as const) : []),
    ...(newest !== undefined && newest.state.stage !== 'signed' ? (['look-off'] as const) : []),
  ]
  return { is: 'signed', assessmentId, at, lookedAt, look: looks.find(isOn)?.assessmentId ?? null, lookAgain }
}

/** What an assessment that begins now judges, and what it takes the place of. */
export interface AssessmentDue {
  parts: SignedPart[]
  after?: string
  isLook?: true
}

/** What is due by how somebody stands: all of it, what is open, what a fresh set replaces, or two shots to look at it again. */
export function assessmentDue(
  standing: SignedOff,
  programme: Pick<Programme, 'skills' | 'way'>,
): AssessmentDue {
  const all = partsOf(programme)
  switch (standing.is) {
    case 'not-yet':
      return { parts: standing.open, after: standing.assessmentId }
    case 'under-appeal':
      return standing.afresh === null
        ? { parts: all }
        : { parts: standing.afresh, after: standing.assessmentId }
    case 'signed':
      return programme.way === 'ticks' ? { parts: all } : { parts: all, isLook: true }
    default:
      return { parts: all }
  }
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
