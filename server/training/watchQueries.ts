import type { Watch } from '@calm-apron/contract'
import { type SQL, and, asc, eq, gt } from 'drizzle-orm'
import type { AcademyTransaction } from '../database/pool.ts'
import { watch } from '../database/schema/index.ts'

type WatchRow = typeof watch.$inferSelect

/** What was watched of a shot, oldest first. */
export async function watchesOf(transaction: AcademyTransaction, shotId: string): Promise<Watch[]> {
  return (await selectWatches(transaction, eq(watch.shotId, shotId), [asc(watch.receivedAt)])).map(toWatch)
}

/** What one person watched, in the order of ids, from behind one of them on. */
export async function watchesBy(
  transaction: AcademyTransaction,
  personId: string,
  after: string | null,
  limit: number,
): Promise<Watch[]> {
  const behind = after === null ? undefined : gt(watch.watchId, after)
  const own = and(eq(watch.watchedBy, personId), behind)
  return (await selectWatches(transaction, own, [asc(watch.watchId)]).limit(limit)).map(toWatch)
}

export async function findWatch(transaction: AcademyTransaction, watchId: string): Promise<WatchRow | null> {
  const [found] = await selectWatches(transaction, eq(watch.watchId, watchId), [])
  return found ?? null
}

function selectWatches(transaction: AcademyTransaction, where: SQL | undefined, order: readonly SQL[]) {
  return transaction
    .select()
    .from(watch)
    .where(where)
    .orderBy(...order)
}

export async function insertWatch(transaction: AcademyTransaction, row: WatchRow): Promise<void> {
  await transaction.insert(watch).values(row)
}

export function toWatch(row: WatchRow): Watch {
  return {
    watchId: row.watchId,
    trainingId: row.trainingId,
    shotId: row.shotId,
    watchedBy: row.watchedBy,
    isTeaching: row.isTeaching,
    stepsDone: row.seen.stepsDone,
    stepsPrompted: row.seen.stepsPrompted,
    stepsMissed: row.seen.stepsMissed,
    marks: row.marks,
    call: row.call,
    watchedAt: row.watchedAt.toISOString(),
    receivedAt: row.receivedAt.toISOString(),
  }
}
