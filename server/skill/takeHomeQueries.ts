import type { TakeHome } from '@calm-apron/contract'
import { type SQL, and, desc, eq, ne } from 'drizzle-orm'
import type { AcademyTransaction } from '../database/pool.ts'
import { freeText, takeHome } from '../database/schema/index.ts'

type Row = typeof takeHome.$inferInsert

function selectTakeHomes(transaction: AcademyTransaction, where: SQL | undefined) {
  return transaction
    .select({ row: takeHome, text: freeText.content })
    .from(takeHome)
    .innerJoin(freeText, eq(freeText.textId, takeHome.textId))
    .where(where)
    .orderBy(desc(takeHome.givenAt), desc(takeHome.takeHomeId))
}

/** What somebody was given, newest first, without what was erased. */
export async function takeHomesOf(
  transaction: AcademyTransaction,
  personId: string,
  limit: number,
): Promise<TakeHome[]> {
  const where = and(eq(takeHome.personId, personId), ne(freeText.content, ''))
  return (await selectTakeHomes(transaction, where).limit(limit)).map(toTakeHome)
}

/** The last somebody was given; null where there is none, or it was erased. */
export async function lastTakeHome(
  transaction: AcademyTransaction,
  personId: string,
): Promise<TakeHome | null> {
  return (await takeHomesOf(transaction, personId, 1))[0] ?? null
}

export async function findTakeHome(
  transaction: AcademyTransaction,
  takeHomeId: string,
): Promise<{ row: typeof takeHome.$inferSelect; text: string } | null> {
  const [found] = await selectTakeHomes(transaction, eq(takeHome.takeHomeId, takeHomeId))
  return found ?? null
}

export async function insertTakeHome(transaction: AcademyTransaction, row: Row): Promise<void> {
  await transaction.insert(takeHome).values(row)
}

export function toTakeHome({
  row: { takeHomeId, givenBy, givenAt },
  text,
}: {
  row: Pick<Row, 'takeHomeId' | 'givenBy' | 'givenAt'>
  text: string
}): TakeHome {
  return { takeHomeId, text, givenBy, givenAt: givenAt.toISOString() }
}
