import type { ShotFacts } from '../shot/facts.ts'
import { dateInZone } from '../units/calendar.ts'
import type { CupNote } from './cups.ts'
import type { PartResult } from './judgeSet.ts'
import type { SignedPart } from './programme.ts'

/** Where, by what and with what a set is pulled, and what of it is judged. */
export interface AssessmentSetup {
  personId: string
  programmeId: string
  programmeRevisionId: string
  /** The training in which its shots are pulled; null where things are ticked off. */
  trainingId: string | null
  recipeRevisionId: string | null
  machineId: string | null
  /** Place of the group in its machine, from 0; it is theirs until the set ends. */
  groupNo: number
  grinderId: string | null
  /** The parts that are judged: all, or those that are repeated. */
  parts: SignedPart[]
  /** Whoever doesn't taste is judged by look and numbers. */
  isTasted: boolean
  /** The house's stop cue stays on. */
  hasCue: boolean
  /** The assessment whose parts are repeated, or replaced after an appeal; left out for a first one. */
  after?: string
  /** Two shots to look at a sign-off again, not a set. */
  isLook?: true
  /** Begun without network: what comes before was not known, nor who trained them. */
  isOffline?: true
}

/** Why a set ended. */
export const SET_ENDS = ['complete', 'broken-off', 'equipment', 'illness'] as const
/** The same, one of them. */
export type SetEnd = (typeof SET_ENDS)[number]

/** What was decided of each part. */
export type Outcomes = { part: SignedPart; result: PartResult }[]

/** What whoever looks at it again finds. */
export const REVIEW_FINDINGS = ['stands', 'otherwise', 'fresh-set'] as const
/** The same, one of them. */
export type ReviewFinding = (typeof REVIEW_FINDINGS)[number]

/** What happened in an assessment; what was written stands beside it, where it can be erased. */
export type AssessmentHappening =
  | { kind: 'begun'; setup: AssessmentSetup }
  /** All that is ticked off by then, in the programme's words. */
  | { kind: 'ticked'; ticks: string[] }
  /** A cup by its code; of two of the same taster and cup the later holds. */
  | { kind: 'tasted'; cup: string; taste: ShotFacts['taste'] }
  | { kind: 'closed'; why: SetEnd }
  | {
      kind: 'decided'
      outcomes: Outcomes
      /** What the rules proposed. */
      proposed: Outcomes
      /** Of the facts that it rests on, each by its revision. */
      digest: string
      rulesVersion: number
    }
  | { kind: 'appealed' }
  /** A second opinion, without knowing the first. */
  | { kind: 'reviewed'; finding: ReviewFinding; outcomes: Outcomes }
  | { kind: 'answered' }
  | { kind: 'settled'; outcomes: Outcomes }
  | { kind: 'withdrawn' }

/** The kinds of what happens. */
export type AssessmentKind = AssessmentHappening['kind']

/** One thing that happened in an assessment. */
export interface AssessmentEvent {
  eventId: string
  by: string
  at: string
  happening: AssessmentHappening
  /** What was written with it: reasons, an answer; null for nothing, or once it was erased. */
  text: string | null
}

/** What an assessment is waiting for, or has come to. */
export const ASSESSMENT_STAGES = [
  'running',
  'to-decide',
  'kept',
  'signed',
  'not-yet',
  'appealed',
  'reviewed',
  'withdrawn',
] as const
/** The same, one of them. `kept`: ended early; what was pulled is kept and counts for nothing. */
export type AssessmentStage = (typeof ASSESSMENT_STAGES)[number]

type Decided = Extract<AssessmentHappening, { kind: 'decided' }>

/** How an assessment stands. */
export interface AssessmentState {
  setup: AssessmentSetup
  begunAt: string
  begunBy: string
  stage: AssessmentStage
  ticked: string[]
  /** As they were tasted before it was opened. */
  tasted: CupNote[]
  closed: { at: string; by: string; why: SetEnd } | null
  decided: (Decided & { at: string; by: string; text: string | null }) | null
  /** As it holds now: as decided, or as it was settled after an appeal. */
  outcomes: Outcomes
  appealedAt: string | null
  reviewed: { by: string; finding: ReviewFinding } | null
  settledAt: string | null
}

/** Stages in which it is on, or waits for somebody. */
export const WAITING_STAGES = [
  'running',
  'to-decide',
  'appealed',
  'reviewed',
] as const satisfies readonly AssessmentStage[]
/** The same, one of them. */
export type WaitingStage = (typeof WAITING_STAGES)[number]

/** Whether an assessment is on, or waits for somebody. */
export function isWaiting(stage: AssessmentStage): stage is WaitingStage {
  return WAITING_STAGES.some((each) => each === stage)
}

const MS_PER_DAY = 86_400_000
/** A set that nobody ended is over by then, and opens. */
export const OPEN_MS = MS_PER_DAY
/** So soon an appeal is answered. */
const ANSWER_DAYS = 7
/** So long what could not be judged fairly is pulled again alone. */
const AGAIN_DAYS = 14

/** How an assessment stands by what happened in it, oldest first; null before it was begun. */
export function assessmentState(events: readonly AssessmentEvent[], now: Date): AssessmentState | null {
  const [first] = events
  if (first?.happening.kind !== 'begun') return null
  const { setup } = first.happening
  const isTicked = setup.trainingId === null
  const begun: AssessmentState = {
    setup,
    begunAt: first.at,
    begunBy: first.by,
    stage: isTicked ? 'to-decide' : 'running',
    ticked: [],
    tasted: [],
    closed: null,
    decided: null,
    outcomes: [],
    appealedAt: null,
    reviewed: null,
    settledAt: null,
  }
  const state = events.slice(1).reduce(next, begun)
  const isLeft = state.stage === 'running' && now.getTime() - Date.parse(state.begunAt) > OPEN_MS
  return isLeft ? { ...state, stage: 'kept' } : state
}

function next(state: AssessmentState, { happening, at, by, text }: AssessmentEvent): AssessmentState {
  switch (happening.kind) {
    case 'begun':
      return state
    case 'ticked':
      return { ...state, ticked: happening.ticks }
    case 'tasted': {
      const { cup, taste } = happening
      const isOpen = state.closed !== null && at > state.closed.at
      const others = state.tasted.filter((note) => note.by !== by || note.cup !== cup)
      return isOpen ? state : { ...state, tasted: [...others, { by, cup, taste }] }
    }
    case 'closed': {
      const { why } = happening
      return { ...state, stage: why === 'complete' ? 'to-decide' : 'kept', closed: { at, by, why } }
    }
    case 'decided': {
      const { outcomes } = happening
      return { ...state, stage: stageOf(outcomes), decided: { ...happening, at, by, text }, outcomes }
    }
    case 'appealed':
      return { ...state, stage: 'appealed', appealedAt: at }
    case 'reviewed':
      return { ...state, stage: 'reviewed', reviewed: { by, finding: happening.finding } }
    case 'answered':
      return state
    case 'settled':
      return { ...state, stage: stageOf(happening.outcomes), outcomes: happening.outcomes, settledAt: at }
    case 'withdrawn':
      return { ...state, stage: 'withdrawn' }
  }
}

/** The parts that are open: only they are repeated. */
export function openParts(outcomes: Readonly<Outcomes>): SignedPart[] {
  return outcomes.flatMap(({ part, result }) => (result === 'not-yet' || result === 'again' ? [part] : []))
}

/** The day from which they are, where the academy is, such as 2026-11-30. @param decidedAt the instant of the decision */
export function repeatedFrom(decidedAt: string, timeZone: string): string {
  return dateInZone(new Date(Date.parse(decidedAt) + MS_PER_DAY), timeZone)
}

/** Until when what could not be judged fairly is pulled again alone; null where all was judged. */
export function againUntil({
  decided,
  outcomes,
}: Pick<AssessmentState, 'decided' | 'outcomes'>): Date | null {
  if (decided === null || outcomes.every(({ result }) => result !== 'again')) return null
  return new Date(Date.parse(decided.at) + AGAIN_DAYS * MS_PER_DAY)
}

/** By when an appeal is to be answered; null where none waits. */
export function answerBy({ stage, appealedAt }: Pick<AssessmentState, 'stage' | 'appealedAt'>): Date | null {
  const isWaiting = stage === 'appealed' || stage === 'reviewed'
  return appealedAt === null || !isWaiting
    ? null
    : new Date(Date.parse(appealedAt) + ANSWER_DAYS * MS_PER_DAY)
}

/** Signed where nothing that is judged is open. */
function stageOf(outcomes: Outcomes): AssessmentStage {
  return openParts(outcomes).length === 0 && outcomes.some(({ result }) => result === 'shown')
    ? 'signed'
    : 'not-yet'
}
