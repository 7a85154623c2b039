import { type Assessment, type ProgrammeContent, type ShotSummary, programmeOf } from '@calm-apron/contract'
import {
  type AssessmentState,
  type JudgedPart,
  type Programme,
  type SetProgress,
  type SetShot,
  judgeSet,
  judgeTicks,
  setProgress,
} from '@calm-apron/core'
import type { AcademyTransaction } from '../database/pool.ts'
import { bodyDigest } from '../http/bodyDigest.ts'
import { lastRulings, lastWords } from '../skill/queries.ts'
import { readerOf } from '../skill/readings.ts'
import { skillShots } from '../skill/skillShots.ts'
import { programmeRevisions, shotsOfSets, tonguesOf } from './queries.ts'

/** What the facts say of an assessment just now. */
export interface FactsNow {
  programme: ProgrammeContent
  progress: NonNullable<Assessment['progress']>
  judged: JudgedPart[]
  /** Of every fact that it rests on, by its revision. */
  digest: string
}

/** An assessment as it stands. */
export interface Standing {
  assessmentId: string
  state: AssessmentState
}

/**
 * Of each of these how far its set is, what the rules propose of it, and the digest of the facts that both rest on; asked for together,
 * however many they are.
 */
export async function factsNow(
  transaction: AcademyTransaction,
  academyId: string,
  assessments: readonly Standing[],
): Promise<Map<string, FactsNow>> {
  const ids = assessments.map(({ assessmentId }) => assessmentId)
  const programmes = await programmeRevisions(
    transaction,
    assessments.map(({ state }) => state.setup.programmeRevisionId),
  )
  const summaries = (await shotsOfSets(transaction, academyId, ids)).toReversed()
  const read = await readerOf(transaction, summaries)
  const shots = await skillShots(transaction, summaries, read)
  const pulledIn = new Map(summaries.map((summary) => [summary.shotId, summary]))
  const beside = {
    tongues: await tonguesOf(transaction, idsOf(summaries)),
    words: await lastWords(transaction, summaries),
    rulings: await lastRulings(transaction, idsOf(summaries)),
  }
  return new Map(
    assessments.flatMap(({ assessmentId, state }) => {
      const programme = programmes.get(state.setup.programmeRevisionId)
      if (programme === undefined) return []
      const own = shots.flatMap((shot): SetShot[] => {
        const summary = pulledIn.get(shot.shotId)
        return summary?.assessmentId === assessmentId ? [{ ...shot, personId: summary.personId }] : []
      })
      const ofSet = summaries.filter((summary) => summary.assessmentId === assessmentId)
      const progress = setProgress(own, state.setup.personId, programmeOf(programme))
      const told: FactsNow = {
        programme,
        progress: progressTold(progress, own),
        judged: proposed(own, programmeOf(programme), state, beside.tongues),
        digest: digestOf(ofSet, state, beside),
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

function proposed(
  shots: readonly SetShot[],
  programme: Programme,
  { setup, ticked }: AssessmentState,
  tonguesOfShot: ReadonlyMap<string, number>,
): JudgedPart[] {
  if (programme.way === 'ticks') return [judgeTicks(programme, ticked)]
  const { counted } = setProgress(shots, setup.personId, programme)
  // As many as tasted every one of them; whoever tasted one of them at all is one tongue.
  const fewest = Math.min(...counted.map(({ shotId }) => tonguesOfShot.get(shotId) ?? 1))
  const tongues = setup.isTasted && counted.length > 0 ? fewest : 0
  return judgeSet(shots, setup.personId, programme, { tongues, parts: setup.parts })
}

/** Canonical: the same facts give the same digest, in whatever order they arrived. */
function digestOf(
  summaries: readonly ShotSummary[],
  { ticked, setup }: AssessmentState,
  {
    words,
    rulings,
  }: { words: Awaited<ReturnType<typeof lastWords>>; rulings: Awaited<ReturnType<typeof lastRulings>> },
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
  return bodyDigest({ ticked, revision: setup.programmeRevisionId, shots })
}
