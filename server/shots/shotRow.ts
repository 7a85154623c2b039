import type { ShotRevision, ShotSummary } from '@calm-apron/contract'
import { alias } from 'drizzle-orm/pg-core'
import { getTableColumns } from 'drizzle-orm'
import { claim, freeText, shot, shotRevision, shotSeries } from '../database/schema/index.ts'
import { toFacts } from './factsRow.ts'

type ShotRow = Omit<typeof shot.$inferSelect, 'academyId'>
type RevisionRow = Omit<typeof shotRevision.$inferSelect, Untold>
/** Columns of a revision of which nothing is told. */
type Untold = 'academyId' | 'shotId' | 'bodyDigest' | 'reasonTextId' | 'noteTextId'

/** What a revision needs besides its own row. */
interface Beside {
  reason: string | null
  note: string | null
  claimedAt: Date | null
  confirmedAt: Date | null
  isDenied: boolean | null
}

/** A row of any query of shots. */
export interface FoundShot {
  shot: ShotRow
  revision: RevisionRow
  series: { weight: string | null; pressure: string | null } | null
  beside: Beside
}

const { academyId: _ofAcademy, ...shotColumns } = getTableColumns(shot)
/** What is selected of a shot, and of its revision: of a hundred rows each column more is read, sent and made a hundred times. */
export const SHOT = shotColumns
export const REVISION = toldOf(getTableColumns(shotRevision))

/** Of the columns of a revision, in a table or a subquery, those of which something is told. */
export function toldOf<C extends Record<Untold, unknown>>({
  academyId: _academyId,
  shotId: _shotId,
  bodyDigest: _bodyDigest,
  reasonTextId: _reasonTextId,
  noteTextId: _noteTextId,
  ...told
}: C): Omit<C, Untold> {
  return told
}

/** What is selected beside a shot and its revision. */
export const SERIES = { shotId: shotSeries.shotId, weight: shotSeries.weight, pressure: shotSeries.pressure }
export const noteText = alias(freeText, 'note_text')
export const BESIDE = {
  reason: freeText.content,
  note: noteText.content,
  claimedAt: claim.claimedAt,
  confirmedAt: claim.confirmedAt,
  isDenied: claim.isDenied,
}

/** Field by field: what a later column holds is told only where somebody says so. */
export function toSummary(
  { shot: row, revision, series, beside }: FoundShot,
  tasted: ReadonlyMap<string, ShotSummary['tasted']>,
): ShotSummary {
  return {
    shotId: row.shotId,
    personId: row.personId,
    recipeRevisionId: row.recipeRevisionId,
    barId: row.barId,
    grinderId: row.grinderId,
    bagId: row.bagId,
    pulledAt: row.pulledAt.toISOString(),
    clockAheadS: row.clockAheadS,
    machineId: row.machineId,
    groupNo: row.groupNo,
    trainingId: row.trainingId,
    purpose: row.purpose,
    faultShown: row.faultShown,
    isSimulated: row.isSimulated,
    stood: row.stood,
    grindOwner: row.grindOwner,
    isCallAsked: row.isCallAsked,
    isFirstCallAsked: row.isFirstCallAsked,
    areNotesAsked: row.areNotesAsked,
    ...(row.assessmentId !== null && { assessmentId: row.assessmentId }),
    current: toRevision(revision, beside),
    series: series === null ? null : { weight: series.weight, pressure: series.pressure },
    tasted: tasted.get(row.shotId) ?? { trainee: null, trainer: null },
  }
}

export function toRevision(
  row: RevisionRow,
  { reason, note, claimedAt, confirmedAt, isDenied }: Beside,
): ShotRevision {
  return {
    revisionId: row.revisionId,
    revisionNo: row.revisionNo,
    judgedBy: row.judgedBy,
    isClaimed: claimedAt !== null && confirmedAt === null,
    isDenied: isDenied === true,
    isJudgeTeaching: row.isJudgeTeaching,
    reason,
    recordedAt: row.recordedAt.toISOString(),
    receivedAt: row.receivedAt.toISOString(),
    facts: toFacts(row),
    note: note ?? '',
  }
}
