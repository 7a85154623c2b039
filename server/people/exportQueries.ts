import type { Call, Photo, Ruling, Slip } from '@calm-apron/contract'
import { and, asc, desc, eq, gt, inArray, or } from 'drizzle-orm'
import type { AnyPgColumn } from 'drizzle-orm/pg-core'
import { behindEnd } from '../database/behindEnd.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { call, photo, ruling, shot, slip } from '../database/schema/index.ts'
import type { PageEnd } from '../http/cursor.ts'
import {
  selectCalls,
  selectPhotos,
  selectRulings,
  selectSlips,
  toCall,
  toPhoto,
  toRuling,
  toSlip,
} from '../tasting/queries.ts'

/** Shots that one person pulled, newest first. */
export async function shotsPulledBy(
  transaction: AcademyTransaction,
  personId: string,
  after: PageEnd | null,
  limit: number,
): Promise<PageEnd[]> {
  const isBehind = after === null ? undefined : behindEnd(shot.pulledAt, shot.shotId, after)
  const rows = await transaction
    .select({ at: shot.pulledAt, id: shot.shotId })
    .from(shot)
    .where(and(eq(shot.personId, personId), isBehind))
    .orderBy(desc(shot.pulledAt), desc(shot.shotId))
    .limit(limit)
  return rows.map(({ at, id }) => ({ at: at.toISOString(), id }))
}

/** What is read in the order of its ids, from behind one of them on. */
export type InPages<T> = (
  transaction: AcademyTransaction,
  personId: string,
  after: string | null,
  limit: number,
) => Promise<T[]>

const behind = (column: AnyPgColumn, after: string | null) => (after === null ? undefined : gt(column, after))

const ownShots = (transaction: AcademyTransaction, personId: string) =>
  transaction.select({ shotId: shot.shotId }).from(shot).where(eq(shot.personId, personId))

/** Calls that one person made. */
export const callsMadeBy: InPages<Call> = async (transaction, personId, after, limit) => {
  const where = and(eq(call.personId, personId), behind(call.callId, after))
  return (await selectCalls(transaction, where, [asc(call.callId)]).limit(limit)).map(toCall)
}

/** Slips that one person filled. */
export const slipsFilledBy: InPages<Slip> = async (transaction, personId, after, limit) => {
  const where = and(eq(slip.filledBy, personId), behind(slip.slipId, after))
  return (await selectSlips(transaction, where, [asc(slip.slipId)]).limit(limit)).map(toSlip)
}

/** Rulings that one person made, and those on shots they pulled. */
export const rulingsAbout: InPages<Ruling> = async (transaction, personId, after, limit) => {
  const isAbout = or(eq(ruling.ruledBy, personId), inArray(ruling.shotId, ownShots(transaction, personId)))
  const where = and(isAbout, behind(ruling.rulingId, after))
  return (await selectRulings(transaction, where, [asc(ruling.rulingId)]).limit(limit)).map(toRuling)
}

/** Photos that one person took, and those of shots they pulled; what was blanked has no picture. */
export const photosAbout: InPages<Photo & { shotId: string }> = async (
  transaction,
  personId,
  after,
  limit,
) => {
  const isAbout = or(eq(photo.takenBy, personId), inArray(photo.shotId, ownShots(transaction, personId)))
  const where = and(isAbout, behind(photo.photoId, after))
  const rows = await selectPhotos(transaction, where, [asc(photo.photoId)]).limit(limit)
  return rows.map((row) => ({ ...toPhoto(row), shotId: row.photo.shotId }))
}
