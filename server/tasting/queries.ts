import type { Call, Photo, Ruling, ShotSummary, Slip, SlipSide } from '@calm-apron/contract'
import { type SQL, and, asc, count, desc, eq, isNotNull, ne, or, sql } from 'drizzle-orm'
import { anyOf } from '../database/anyOf.ts'
import { keptQuery } from '../database/keptQuery.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { call, claim, freeText, photo, ruling, shotRevision, slip } from '../database/schema/index.ts'
import { awaitsCall, isSealedInSet, shotsAmong } from '../shots/awaitsCall.ts'

type CallRow = typeof call.$inferSelect
type SlipRow = typeof slip.$inferSelect

/** A row, and whether it was entered in the name of somebody who has not said that it is theirs. */
interface FoundCall {
  call: CallRow
  isClaimed: boolean
}
interface FoundRuling {
  ruling: typeof ruling.$inferSelect
  reason: string
}
export interface FoundSlip {
  slip: SlipRow
  reason: string | null
  isClaimed: boolean
}

const IS_CLAIMED = sql<boolean>`(${claim.recordId} is not null and (${claim.confirmedAt} is null or ${claim.isDenied}))`

/** Calls on a shot, oldest first. */
export async function listCalls(transaction: AcademyTransaction, shotId: string): Promise<Call[]> {
  return (await selectCalls(transaction, eq(call.shotId, shotId))).map(toCall)
}

export async function findCall(transaction: AcademyTransaction, callId: string): Promise<FoundCall | null> {
  const [found] = await selectCalls(transaction, eq(call.callId, callId))
  return found ?? null
}

/** Calls with what is told of them; a page of them may be cut off it. */
export function selectCalls(
  transaction: AcademyTransaction,
  where: SQL | undefined,
  order: readonly SQL[] = [asc(call.receivedAt), asc(call.callId)],
) {
  return transaction
    .select({ call, isClaimed: IS_CLAIMED })
    .from(call)
    .leftJoin(claim, eq(claim.recordId, call.callId))
    .where(where)
    .orderBy(...order)
}

/** What both sides tasted of each shot, of which both are in or skipped. */
export async function tastedOf(
  transaction: AcademyTransaction,
  shotIds: readonly string[],
): Promise<Map<string, ShotSummary['tasted']>> {
  if (shotIds.length === 0) return new Map()
  const newest = await newestSlips(transaction, { shotIds })
  const sides = new Map<string, Partial<Record<SlipSide, Slip['taste']>>>()
  for (const row of newest) {
    const known = sides.get(row.shotId) ?? {}
    sides.set(row.shotId, { ...known, [row.side]: tasteOf(row) })
  }
  const whole = new Map<string, ShotSummary['tasted']>()
  for (const [shotId, { trainee, trainer }] of sides)
    if (trainee !== undefined && trainer !== undefined) whole.set(shotId, { trainee, trainer })
  return whole
}

/** Those among these shots of which both sides are in or skipped, or of which no notes are asked and the call is made; none of a set that is on. */
export async function openAmong(
  transaction: AcademyTransaction,
  shotIds: readonly string[],
): Promise<Set<string>> {
  return shotsAmong(transaction, shotIds, IS_OPEN)
}

const hasSide = (side: SlipSide) => sql`exists (select from slip
  where slip.academy_id = shot.academy_id and slip.shot_id = shot.shot_id and slip.side = ${sql.raw(`'${side}'`)})`
/** What was said of a shot may be read. */
export const IS_OPEN = sql`not ${isSealedInSet}
  and ((not shot.are_notes_asked and not ${awaitsCall}) or (${hasSide('trainee')} and ${hasSide('trainer')}))`

/** Whether anybody has tasted it: on a note, or at the bar. */
export async function isTasted(
  transaction: AcademyTransaction,
  shotId: string,
  slips: readonly Slip[],
): Promise<boolean> {
  if (slips.some(({ taste }) => taste !== null)) return true
  const rows = await transaction
    .select({ no: shotRevision.revisionNo })
    .from(shotRevision)
    .where(
      and(
        eq(shotRevision.shotId, shotId),
        or(isNotNull(shotRevision.sour), isNotNull(shotRevision.bitter), isNotNull(shotRevision.sweet)),
      ),
    )
    .limit(1)
  return rows.length > 0
}

const newestSlips = keptQuery((builder) =>
  builder
    .selectDistinctOn([slip.shotId, slip.side])
    .from(slip)
    .where(anyOf(slip.shotId, sql.placeholder('shotIds')))
    .orderBy(asc(slip.shotId), asc(slip.side), desc(slip.revisionNo)),
)

/** Rulings on a shot, oldest first. */
export async function listRulings(transaction: AcademyTransaction, shotId: string): Promise<Ruling[]> {
  return (await selectRulings(transaction, eq(ruling.shotId, shotId))).map(toRuling)
}

export async function findRuling(
  transaction: AcademyTransaction,
  rulingId: string,
): Promise<FoundRuling | null> {
  const [found] = await selectRulings(transaction, eq(ruling.rulingId, rulingId))
  return found ?? null
}

/** Rulings with their reasons; a page of them may be cut off it. */
export function selectRulings(
  transaction: AcademyTransaction,
  where: SQL | undefined,
  order: readonly SQL[] = [asc(ruling.ruledAt), asc(ruling.rulingId)],
) {
  return transaction
    .select({ ruling, reason: freeText.content })
    .from(ruling)
    .innerJoin(freeText, eq(freeText.textId, ruling.reasonTextId))
    .where(where)
    .orderBy(...order)
}

export function toRuling({ ruling: row, reason }: FoundRuling): Ruling {
  const { rulingId, shotId, ruledBy, verdict, cause, move, ruledAt, receivedAt, rulesVersion } = row
  return {
    rulingId,
    shotId,
    ruledBy,
    verdict,
    cause,
    move,
    reason,
    ruledAt: ruledAt.toISOString(),
    receivedAt: receivedAt.toISOString(),
    rulesVersion,
  }
}

export async function insertRuling(
  transaction: AcademyTransaction,
  row: typeof ruling.$inferSelect,
): Promise<void> {
  await transaction.insert(ruling).values(row)
}

/** Photos of a shot, oldest first, without those that were blanked. */
export async function listPhotos(transaction: AcademyTransaction, shotId: string): Promise<Photo[]> {
  const rows = await selectPhotos(transaction, eq(photo.shotId, shotId), [
    asc(photo.takenAt),
    asc(photo.photoId),
  ])
  return rows.filter(({ picture }) => picture !== '').map(toPhoto)
}

/** Photos with their pictures; a page of them may be cut off it. */
export function selectPhotos(transaction: AcademyTransaction, where: SQL | undefined, order: readonly SQL[]) {
  return transaction
    .select({ photo, picture: freeText.content })
    .from(photo)
    .innerJoin(freeText, eq(freeText.textId, photo.pictureTextId))
    .where(where)
    .orderBy(...order)
}

export function toPhoto({
  photo: { photoId, takenBy, takenAt },
  picture,
}: {
  photo: typeof photo.$inferSelect
  picture: string
}): Photo {
  return { photoId, takenBy, takenAt: takenAt.toISOString(), picture }
}

/** How many photos a shot has that were not blanked. */
export async function photosOf(transaction: AcademyTransaction, shotId: string): Promise<number> {
  const [row] = await transaction
    .select({ n: count() })
    .from(photo)
    .innerJoin(freeText, eq(freeText.textId, photo.pictureTextId))
    .where(and(eq(photo.shotId, shotId), ne(freeText.content, '')))
  return row?.n ?? 0
}

export async function findPhoto(transaction: AcademyTransaction, photoId: string) {
  const [row] = await transaction.select().from(photo).where(eq(photo.photoId, photoId))
  return row ?? null
}

export async function insertPhoto(
  transaction: AcademyTransaction,
  row: typeof photo.$inferSelect,
): Promise<void> {
  await transaction.insert(photo).values(row)
}

/** Slips of a shot with their corrections, each side's oldest first. */
export async function listSlips(transaction: AcademyTransaction, shotId: string): Promise<Slip[]> {
  const order = [asc(slip.side), asc(slip.revisionNo)]
  return (await selectSlips(transaction, eq(slip.shotId, shotId), order)).map(toSlip)
}

/** The slips of several shots, oldest first. */
export async function slipsOf(transaction: AcademyTransaction, shotIds: readonly string[]): Promise<Slip[]> {
  if (shotIds.length === 0) return []
  const rows = await selectSlips(transaction, anyOf(slip.shotId, sql.param(shotIds)), [asc(slip.revisionNo)])
  return rows.map(toSlip)
}

export async function findSlip(transaction: AcademyTransaction, slipId: string): Promise<FoundSlip | null> {
  const [found] = await selectSlips(transaction, eq(slip.slipId, slipId))
  return found ?? null
}

/** Slips with what is told of them; a page of them may be cut off it. */
export function selectSlips(
  transaction: AcademyTransaction,
  where: SQL | undefined,
  order: readonly SQL[] = [],
) {
  return transaction
    .select({ slip, reason: freeText.content, isClaimed: IS_CLAIMED })
    .from(slip)
    .leftJoin(freeText, eq(freeText.textId, slip.reasonTextId))
    .leftJoin(claim, eq(claim.recordId, slip.slipId))
    .where(where)
    .orderBy(...order)
}

/** Stores a call unless the person has made one at this stage; tells whether it did. */
export async function insertCall(transaction: AcademyTransaction, row: CallRow): Promise<boolean> {
  const stored = await transaction
    .insert(call)
    .values(row)
    .onConflictDoNothing()
    .returning({ callId: call.callId })
  return stored.length === 1
}

export async function insertSlip(transaction: AcademyTransaction, row: SlipRow): Promise<void> {
  await transaction.insert(slip).values(row)
}

/** The newest slip of one side among a shot's slips. */
export function newestOf(slips: readonly Slip[], side: SlipSide): Slip | null {
  return slips.findLast((each) => each.side === side) ?? null
}

export function toCall({ call: row, isClaimed }: FoundCall): Call {
  return {
    callId: row.callId,
    shotId: row.shotId,
    personId: row.personId,
    stage: row.stage,
    verdict: row.verdict,
    cause: row.cause,
    move: row.move,
    calledAt: row.calledAt.toISOString(),
    takenDownBy: row.takenDownBy,
    receivedAt: row.receivedAt.toISOString(),
    rulesVersion: row.rulesVersion,
    isClaimed,
  }
}

function tasteOf({ skipped, sour, sweet, bitter, body, dryness }: SlipRow): Slip['taste'] {
  return skipped ? null : { sour, sweet, bitter, body, dryness }
}

export function toSlip({ slip: row, reason, isClaimed }: FoundSlip): Slip {
  return {
    slipId: row.slipId,
    shotId: row.shotId,
    side: row.side,
    revisionNo: row.revisionNo,
    filledBy: row.filledBy,
    takenDownBy: row.takenDownBy,
    reason,
    taste: tasteOf(row),
    tastedAt: row.tastedAt.toISOString(),
    receivedAt: row.receivedAt.toISOString(),
    isClaimed,
    isBlind: row.isBlind,
    isLate: row.isLate,
  }
}
