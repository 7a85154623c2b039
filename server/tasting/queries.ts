import type { Call, Photo, Ruling, ShotSummary, Slip, SlipSide } from '@calm-apron/contract'
import { asc, desc, eq, inArray, sql } from 'drizzle-orm'
import type { AcademyTransaction } from '../database/pool.ts'
import { call, claim, freeText, photo, ruling, slip } from '../database/schema/index.ts'

type CallRow = typeof call.$inferSelect
type SlipRow = typeof slip.$inferSelect

/** Entered in somebody's name, who has not said that it is theirs. */
const IS_CLAIMED = sql<boolean>`(${claim.recordId} is not null and (${claim.confirmedAt} is null or ${claim.isDenied}))`

/** Calls on a shot, oldest first. */
export async function listCalls(transaction: AcademyTransaction, shotId: string): Promise<Call[]> {
  const rows = await transaction
    .select({ call, isClaimed: IS_CLAIMED })
    .from(call)
    .leftJoin(claim, eq(claim.recordId, call.callId))
    .where(eq(call.shotId, shotId))
    .orderBy(asc(call.receivedAt), asc(call.callId))
  return rows.map((row) => toCall(row.call, row.isClaimed))
}

/** What both sides tasted of each shot, of which both are in or skipped. */
export async function tastedOf(
  transaction: AcademyTransaction,
  shotIds: readonly string[],
): Promise<Map<string, ShotSummary['tasted']>> {
  if (shotIds.length === 0) return new Map()
  const newest = await transaction
    .selectDistinctOn([slip.shotId, slip.side])
    .from(slip)
    .where(inArray(slip.shotId, [...shotIds]))
    .orderBy(asc(slip.shotId), asc(slip.side), desc(slip.revisionNo))
  const sides = new Map<string, Partial<Record<SlipSide, Slip['taste']>>>()
  for (const row of newest) {
    const known = sides.get(row.shotId) ?? {}
    sides.set(row.shotId, { ...known, [row.side]: toSlip(row, null).taste })
  }
  const whole = new Map<string, ShotSummary['tasted']>()
  for (const [shotId, { trainee, trainer }] of sides)
    if (trainee !== undefined && trainer !== undefined) whole.set(shotId, { trainee, trainer })
  return whole
}

/** Rulings on a shot, oldest first. */
export async function listRulings(transaction: AcademyTransaction, shotId: string): Promise<Ruling[]> {
  const rows = await transaction
    .select({ ruling, reason: freeText.content })
    .from(ruling)
    .innerJoin(freeText, eq(freeText.textId, ruling.reasonTextId))
    .where(eq(ruling.shotId, shotId))
    .orderBy(asc(ruling.ruledAt), asc(ruling.rulingId))
  return rows.map((row) => toRuling(row.ruling, row.reason))
}

export function toRuling(row: typeof ruling.$inferSelect, reason: string): Ruling {
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

export async function findRuling(transaction: AcademyTransaction, rulingId: string) {
  const [row] = await transaction
    .select({ ruling, reason: freeText.content })
    .from(ruling)
    .innerJoin(freeText, eq(freeText.textId, ruling.reasonTextId))
    .where(eq(ruling.rulingId, rulingId))
  return row ?? null
}

export async function insertRuling(
  transaction: AcademyTransaction,
  row: typeof ruling.$inferSelect,
): Promise<void> {
  await transaction.insert(ruling).values(row)
}

/** Photos of a shot, oldest first, without those that were blanked. */
export async function listPhotos(transaction: AcademyTransaction, shotId: string): Promise<Photo[]> {
  const rows = await transaction
    .select({ photo, picture: freeText.content })
    .from(photo)
    .innerJoin(freeText, eq(freeText.textId, photo.pictureTextId))
    .where(eq(photo.shotId, shotId))
    .orderBy(asc(photo.takenAt), asc(photo.photoId))
  return rows
    .filter(({ picture }) => picture !== '')
    .map(({ photo: { photoId, takenBy, takenAt }, picture }) => ({
      photoId,
      takenBy,
      takenAt: takenAt.toISOString(),
      picture,
    }))
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

/** Slips of a shot with their corrections, oldest first. */
export async function listSlips(transaction: AcademyTransaction, shotId: string): Promise<Slip[]> {
  const rows = await transaction
    .select({ slip, reason: freeText.content, isClaimed: IS_CLAIMED })
    .from(slip)
    .leftJoin(freeText, eq(freeText.textId, slip.reasonTextId))
    .leftJoin(claim, eq(claim.recordId, slip.slipId))
    .where(eq(slip.shotId, shotId))
    .orderBy(asc(slip.side), asc(slip.revisionNo))
  return rows.map((row) => toSlip(row.slip, row.reason, row.isClaimed))
}

/** Calls that one person made, oldest first. */
export async function listCallsOf(transaction: AcademyTransaction, personId: string): Promise<Call[]> {
  const rows = await transaction
    .select()
    .from(call)
    .where(eq(call.personId, personId))
    .orderBy(asc(call.receivedAt))
  return rows.map((row) => toCall(row))
}

/** Slips that one person filled, oldest first. */
export async function listSlipsOf(transaction: AcademyTransaction, personId: string): Promise<Slip[]> {
  const rows = await transaction
    .select({ slip, reason: freeText.content })
    .from(slip)
    .leftJoin(freeText, eq(freeText.textId, slip.reasonTextId))
    .where(eq(slip.filledBy, personId))
    .orderBy(asc(slip.receivedAt))
  return rows.map((row) => toSlip(row.slip, row.reason))
}

export async function findCall(transaction: AcademyTransaction, callId: string): Promise<CallRow | null> {
  const [row] = await transaction.select().from(call).where(eq(call.callId, callId))
  return row ?? null
}

export async function findSlip(transaction: AcademyTransaction, slipId: string) {
  const [row] = await transaction
    .select({ slip, reason: freeText.content })
    .from(slip)
    .leftJoin(freeText, eq(freeText.textId, slip.reasonTextId))
    .where(eq(slip.slipId, slipId))
  return row ?? null
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

export function toCall(row: CallRow, isClaimed = false): Call {
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

export function toSlip(row: SlipRow, reason: string | null, isClaimed = false): Slip {
  const { sour, sweet, bitter, body, dryness } = row
  return {
    slipId: row.slipId,
    shotId: row.shotId,
    side: row.side,
    revisionNo: row.revisionNo,
    filledBy: row.filledBy,
    takenDownBy: row.takenDownBy,
    reason,
    taste: row.skipped ? null : { sour, sweet, bitter, body, dryness },
    tastedAt: row.tastedAt.toISOString(),
    receivedAt: row.receivedAt.toISOString(),
    isClaimed,
    isBlind: row.isBlind,
    isLate: row.isLate,
  }
}
