import type { AcademyFile } from '@calm-apron/contract'
import { v4 as uuidv4 } from 'uuid'
import type {
  call,
  freeText,
  ruling,
  shotRevision,
  shotSeries,
  slip,
  trainingEvent,
} from '../database/schema/index.ts'
import { toColumns } from '../shots/factsRow.ts'

/** A row without the academy that it is about to belong to. */
type Row<T extends { $inferInsert: object }> = Omit<T['$inferInsert'], 'academyId'>

/** A file about to be stored, and who in it teaches. */
interface Storing {
  file: AcademyFile
  receivedAt: Date
  teaching: ReadonlySet<string>
  texts: Texts
  /** By which a record that is sent again is known. */
  digestOf: (body: unknown) => string
}

/** What people wrote goes into a table of its own, where it can be blanked. */
export class Texts {
  readonly rows: Row<typeof freeText>[] = []

  /** The id under which it is kept; null for nothing. */
  keep(content: string | null, aboutId: string | null, writtenBy: string): string | null {
    if (content === null || content === '') return null
    const textId = uuidv4()
    this.rows.push({ textId, aboutId, writtenBy, content })
    return textId
  }
}

const pullersOf = ({ shots }: AcademyFile) => new Map(shots.map(({ shotId, personId }) => [shotId, personId]))

/** The first revision of each shot, and its corrections. */
export function revisionRows({
  file,
  receivedAt,
  teaching,
  texts,
  digestOf,
}: Storing): Row<typeof shotRevision>[] {
  const pulledBy = pullersOf(file)
  const firstNotes = new Map<string, string | null>()
  const first = file.shots.map(({ shotId, ...input }) => {
    const { judgedBy, note, facts, personId } = input
    const noteTextId = texts.keep(note, personId, judgedBy)
    firstNotes.set(shotId, noteTextId)
    return {
      revisionId: shotId,
      shotId,
      revisionNo: 1,
      bodyDigest: digestOf(input),
      judgedBy,
      isJudgeTeaching: teaching.has(judgedBy),
      noteTextId,
      recordedAt: new Date(input.pulledAt),
      receivedAt,
      ...toColumns(facts),
    }
  })
  const corrected = file.corrections.map(({ shotId, revisionId, ...input }) => {
    const { judgedBy, reason, note, facts } = input
    const aboutId = pulledBy.get(shotId) ?? null
    return {
      revisionId,
      shotId,
      revisionNo: input.basedOnNo + 1,
      bodyDigest: digestOf(input),
      judgedBy,
      isJudgeTeaching: teaching.has(judgedBy),
      reasonTextId: texts.keep(reason, aboutId, judgedBy),
      noteTextId: note === null ? (firstNotes.get(shotId) ?? null) : texts.keep(note, aboutId, judgedBy),
      recordedAt: new Date(input.correctedAt),
      receivedAt,
      ...toColumns(facts),
    }
  })
  return [...first, ...corrected]
}

export function seriesRows({ shots }: AcademyFile): Row<typeof shotSeries>[] {
  return shots.flatMap(({ shotId, series }) => (series === null ? [] : [{ shotId, ...series }]))
}

export function eventRows({ file, receivedAt, digestOf }: Storing): Row<typeof trainingEvent>[] {
  return file.trainings.flatMap(({ trainingId, events }) =>
    events.map(({ eventId, ...input }) => ({
      eventId,
      trainingId,
      by: input.by,
      sentBy: input.by,
      afterEventId: input.after ?? null,
      at: new Date(input.at),
      receivedAt,
      kind: input.happening.kind,
      happening: input.happening,
      bodyDigest: digestOf(input),
    })),
  )
}

export function callRows({ file, receivedAt, digestOf }: Storing): Row<typeof call>[] {
  return file.calls.map(({ shotId, callId, ...input }) => {
    const { calledBy, stage, verdict, cause, move, calledAt, rulesVersion = null } = input
    return {
      callId,
      shotId,
      personId: calledBy,
      stage,
      verdict,
      cause,
      move,
      calledAt: new Date(calledAt),
      rulesVersion,
      receivedAt,
      bodyDigest: digestOf(input),
    }
  })
}

/** All of one file arrived together: none of its notes leans on another. */
export function slipRows({ file, receivedAt, texts, digestOf }: Storing): Row<typeof slip>[] {
  const pulledBy = pullersOf(file)
  return file.slips.map(({ shotId, slipId, ...input }) => {
    const { side, basedOnNo, filledBy, reason, taste, tastedAt } = input
    return {
      slipId,
      shotId,
      side,
      revisionNo: basedOnNo + 1,
      filledBy,
      reasonTextId: texts.keep(reason, pulledBy.get(shotId) ?? null, filledBy),
      skipped: taste === null,
      ...taste,
      tastedAt: new Date(tastedAt),
      receivedAt,
      bodyDigest: digestOf(input),
    }
  })
}

export function rulingRows({ file, receivedAt, texts, digestOf }: Storing): Row<typeof ruling>[] {
  const pulledBy = pullersOf(file)
  return file.rulings.map(({ shotId, rulingId, ...input }) => {
    const { ruledBy, verdict, cause, move, reason, ruledAt, rulesVersion = null } = input
    const reasonTextId = texts.keep(reason, pulledBy.get(shotId) ?? null, ruledBy)
    if (reasonTextId === null) throw new Error('A ruling has a reason: its schema says so.')
    return {
      rulingId,
      shotId,
      ruledBy,
      verdict,
      cause,
      move,
      reasonTextId,
      ruledAt: new Date(ruledAt),
      rulesVersion,
      receivedAt,
      bodyDigest: digestOf(input),
    }
  })
}
