import type { SetAsideRecord } from '@calm-apron/contract'
import { asc, eq } from 'drizzle-orm'
import type { AcademyTransaction } from '../database/pool.ts'
import { setAside } from '../database/schema/index.ts'

/** Records that wait for the head, oldest first. */
export async function listSetAside(transaction: AcademyTransaction): Promise<SetAsideRecord[]> {
  const rows = await transaction
    .select()
    .from(setAside)
    .orderBy(asc(setAside.receivedAt), asc(setAside.setAsideId))
  return rows.map(({ setAsideId, judgedBy, receivedAt, write }) => ({
    setAsideId,
    judgedBy,
    receivedAt: receivedAt.toISOString(),
    write,
  }))
}

/** Keeps a record for the head; once, however often it is sent. */
export async function insertSetAside(
  transaction: AcademyTransaction,
  row: typeof setAside.$inferInsert,
): Promise<void> {
  await transaction.insert(setAside).values(row).onConflictDoNothing()
}

/** Takes a record off the list to decide on it; null when it is not there. */
export async function takeSetAside(
  transaction: AcademyTransaction,
  setAsideId: string,
): Promise<Pick<SetAsideRecord, 'write' | 'judgedBy'> | null> {
  const [row] = await transaction
    .delete(setAside)
    .where(eq(setAside.setAsideId, setAsideId))
    .returning({ write: setAside.write, judgedBy: setAside.judgedBy })
  return row ?? null
}
