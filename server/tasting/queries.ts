import type { Call, Slip, SlipSide } from '@calm-apron/contract'
import { asc, eq } from 'drizzle-orm'
import type { AcademyTransaction } from '../database/pool.ts'
import { call, freeText, slip } from '../database/schema/index.ts'

type CallRow = typeof call.$inferSelect
type SlipRow = typeof slip.$inferSelect

/** Calls on a shot, oldest first. */
export async function listCalls(transaction: AcademyTransaction, shotId: string): Promise<Call[]> {
  const rows = await transaction
    .select()
    .from(call)
    .where(eq(call.shotId, shotId))
    .orderBy(asc(call.receivedAt), asc(call.callId))
  return rows.map(toCall)
}

/** Slips of a shot with their corrections, oldest first. */
export async function listSlips(transaction: AcademyTransaction, shotId: string): Promise<Slip[]> {
  const rows = await transaction
    .select({ slip, reason: freeText.content })
    .from(slip)
    .leftJoin(freeText, eq(freeText.textId, slip.reasonTextId))
    .where(eq(slip.shotId, shotId))
    .orderBy(asc(slip.side), asc(slip.revisionNo))
  return rows.map((row) => toSlip(row.slip, row.reason))
}

/** Calls that one person made, oldest first. */
export async function listCallsOf(transaction: AcademyTransaction, personId: string): Promise<Call[]> {
  const rows = await transaction
    .select()
    .from(call)
    .where(eq(call.personId, personId))
    .orderBy(asc(call.receivedAt))
  return rows.map(toCall)
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

export async function findSlip(transaction: AcademyTransaction, slipId: string): Promise<SlipRow | null> {
  const [row] = await transaction.select().from(slip).where(eq(slip.slipId, slipId))
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

export function toCall(row: CallRow): Call {
  return {
    callId: row.callId,
    shotId: row.shotId,
    personId: row.personId,
    stage: row.stage,
    verdict: row.verdict,
    cause: row.cause,
    move: row.move,
    calledAt: row.calledAt.toISOString(),
    receivedAt: row.receivedAt.toISOString(),
  }
}

export function toSlip(row: SlipRow, reason: string | null): Slip {
  const { sour, sweet, bitter, body, dryness } = row
  return {
    slipId: row.slipId,
    shotId: row.shotId,
    side: row.side,
    revisionNo: row.revisionNo,
    filledBy: row.filledBy,
    reason,
    taste: row.skipped ? null : { sour, sweet, bitter, body, dryness },
    tastedAt: row.tastedAt.toISOString(),
    receivedAt: row.receivedAt.toISOString(),
  }
}
