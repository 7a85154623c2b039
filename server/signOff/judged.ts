import { type Assessment, type ProgrammeContent, type ShotSummary, programmeOf } from '@calm-apron/contract'
import {
  type AssessmentState,
  type JudgedPart,
  type Programme,
  type SetNotice,
  type SetProgress,
  type SetShot,
  cupCodes,
  grinderMoved,
  judgeSet,
  judgeTicks,
  setProgress,
  termsFor,
} from '@calm-apron/core'
import type { AcademyTransaction } from '../database/pool.ts'
import { bodyDigest } from '../http/bodyDigest.ts'
import { readerOf } from '../skill/readings.ts'
import { type SaidOfShots, saidOfShots, skillShots } from '../skill/skillShots.ts'
import type { Stood } from './stood.ts'
import { type GrinderSpan, programmeRevisions, shotsBeside, shotsOfSets } from './queries.ts'

/** What the facts say of an assessment just now. */
export interface FactsNow {
  assessors: ProgrammeContent['assessors']
  progress: NonNullable<Assessment['progress']>
  judged: JudgedPart[]
  notices: SetNotice[]
  /** The codes of its cups, in no order that tells. */
  cups: string[]
  /** Of every fact that it rests on, by its revision. */
  digest: string
}

/**
 * Of each of these how far its set is, what the rules propose of it, and the digest of the facts that both rest on; asked for together,
 * however many they are.
 */
export async function factsNow(
  transaction: AcademyTransaction,
  academyId: string,
  assessments: readonly Pick<Stood, 'assessmentId' | 'state'>[],
): Promise<Map<string, FactsNow>> {
  const ids = assessments.map(({ assessmentId }) => assessmentId)
  const programmes = await programmeRevisions(
    transaction,
    assessments.map(({ state }) => state.setup.programmeRevisionId),
  )
  const summaries = (await shotsOfSets(transaction, academyId, ids)).toReversed()
  const read = await readerOf(transaction, summaries)
  const said = await saidOfShots(transaction, summaries)
  const shots = skillShots(summaries, read, said)
  const shotsById = new Map(shots.map((shot) => [shot.shotId, shot]))
  const pulledIn = (assessmentId: string) =>
    summaries.filter((summary) => summary.assessmentId === assessmentId)
  const beside = await shotsBeside(
    transaction,
    assessments.flatMap((each) => spanOf(each, pulledIn(each.assessmentId))),
  )
  return new Map(
    assessments.flatMap(({ assessmentId, state }) => {
      const content = programmes.get(state.setup.programmeRevisionId)
      if (content === undefined) return []
      const programme = termsFor(programmeOf(content), state.setup)
      const ofSet = pulledIn(assessmentId)
      const own = ofSet.flatMap(({ shotId, personId }): SetShot[] => {
        const shot = shotsById.get(shotId)
        return shot === undefined ? [] : [{ ...shot, personId }]
      })
      const progress = setProgress(own, state.setup.personId, programme)
      const told: FactsNow = {
        assessors: content.assessors,
        progress: progressTold(progress, own),
        judged: proposed(own, programme, state),
        notices: grinderMoved(
          own.filter(({ personId }) => personId === state.setup.personId),
          beside.get(assessmentId) ?? [],
          programme,
        ),
        cups: state.setup.isTasted ? [...cupCodes(idsOf(own)).values()].toSorted() : [],
        digest: digestOf(ofSet, state, said),
      }
      return [[assessmentId, told]]
    }),
  )
}

const idsOf = (shots: readonly { shotId: string }[]) => shots.map(({ shotId }) => shotId)

function progressTold(progress: SetProgress, shots: readonly SetShot[]): FactsNow['progress'] {
  return {
    next: progress.next,
    counted: idsOf(progress.counted),
    uncounted: progress.uncounted.length,
    uncountedLeft: progress.uncountedLeft,
    references: idsOf(shots.filter(({ context }) => context.purpose === 'reference')),
    voided: idsOf(progress.voided),
    pulledAgain: progress.pulledAgain?.shotId ?? null,
    isBarRight: progress.isBarRight,
  }
}

/** From its first shot to its last, on its grinder; none where that is not known, or while it is on: then nobody is told. */
function spanOf(
  { assessmentId, state: { setup, stage } }: Pick<Stood, 'assessmentId' | 'state'>,
  ofSet: readonly ShotSummary[],
): GrinderSpan[] {
  const [first, last] = [ofSet[0], ofSet.at(-1)]
  if (stage === 'running' || setup.grinderId === null || first === undefined || last === undefined) return []
  return [{ assessmentId, grinderId: setup.grinderId, from: first.pulledAt, to: last.pulledAt }]
}

function proposed(
  shots: readonly SetShot[],
  programme: Programme,
  { setup, ticked, tasted }: AssessmentState,
): JudgedPart[] {
  if (programme.way === 'ticks') return [judgeTicks(programme, ticked)]
  const taken = { cups: setup.isTasted ? tasted : null, parts: setup.parts }
  return judgeSet(shots, setup.personId, programme, taken)
}

/** Canonical: the same facts give the same digest, in whatever order they arrived. */
function digestOf(
  summaries: readonly ShotSummary[],
  { ticked, setup, tasted }: AssessmentState,
  { words, rulings }: SaidOfShots,
): string {
  const shots = summaries
    .map(({ shotId, current, purpose, tasted }) => ({
      shotId,
      revisionId: current.revisionId,
      purpose,
      tasted,
      called: words.get(shotId) ?? null,
      ruled: rulings.get(shotId) ?? null,
    }))
    .sort((a, b) => a.shotId.localeCompare(b.shotId))
  const cups = tasted.toSorted((a, b) => `${a.by} ${a.cup}`.localeCompare(`${b.by} ${b.cup}`))
  const revision = setup.programmeRevisionId
  return bodyDigest({ ticked, revision, shots, ...(cups.length > 0 && { cups }) })
}
