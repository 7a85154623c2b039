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
import { readerOf } from '../skill/readings.ts'
import { type SaidOfShots, saidOfShots, skillShots } from '../skill/skillShots.ts'
import type { Stood } from './stood.ts'
import { programmeRevisions, shotsOfSets, tonguesOf } from './queries.ts'

/** What the facts say of an assessment just now. */
export interface FactsNow {
  assessors: ProgrammeContent['assessors']
  progress: NonNullable<Assessment['progress']>
  judged: JudgedPart[]
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
  const pulledIn = new Map(summaries.map((summary) => [summary.shotId, summary]))
  const tongues = await tonguesOf(transaction, idsOf(summaries))
  return new Map(
    assessments.flatMap(({ assessmentId, state }) => {
      const content = programmes.get(state.setup.programmeRevisionId)
      if (content === undefined) return []
      const programme = programmeOf(content)
      const own = shots.flatMap((shot): SetShot[] => {
        const summary = pulledIn.get(shot.shotId)
        return summary?.assessmentId === assessmentId ? [{ ...shot, personId: summary.personId }] : []
      })
      const ofSet = summaries.filter((summary) => summary.assessmentId === assessmentId)
      const progress = setProgress(own, state.setup.personId, programme)
      const told: FactsNow = {
        assessors: content.assessors,
        progress: progressTold(progress, own),
        judged: proposed(own, programme, state, tonguesIn(progress, tongues)),
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

/** As many as tasted every counted shot; whoever tasted at all is one tongue. */
function tonguesIn({ counted }: SetProgress, ofShot: ReadonlyMap<string, number>): number {
  return counted.length === 0 ? 0 : Math.min(...counted.map(({ shotId }) => ofShot.get(shotId) ?? 1))
}

function proposed(
  shots: readonly SetShot[],
  programme: Programme,
  { setup, ticked }: AssessmentState,
  tongues: number,
): JudgedPart[] {
  if (programme.way === 'ticks') return [judgeTicks(programme, ticked)]
  const taken = { tongues: setup.isTasted ? tongues : 0, parts: setup.parts }
  return judgeSet(shots, setup.personId, programme, taken)
}

/** Canonical: the same facts give the same digest, in whatever order they arrived. */
function digestOf(
  summaries: readonly ShotSummary[],
  { ticked, setup }: AssessmentState,
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
  return bodyDigest({ ticked, revision: setup.programmeRevisionId, shots })
}
