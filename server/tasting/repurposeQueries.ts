import type { Repurposing } from '@calm-apron/contract'
import { type SQL, asc, eq } from 'drizzle-orm'
import type { AcademyTransaction } from '../database/pool.ts'
import { freeText, repurposing } from '../database/schema/index.ts'

interface FoundRepurposing {
  repurposing: typeof repurposing.$inferSelect
  reason: string
}

/** How a shot was called otherwise, oldest first. */
export async function listRepurposings(
  transaction: AcademyTransaction,
  shotId: string,
): Promise<Repurposing[]> {
  return (await selectRepurposings(transaction, eq(repurposing.shotId, shotId))).map(toRepurposing)
}

export async function findRepurposing(
  transaction: AcademyTransaction,
  repurposingId: string,
): Promise<FoundRepurposing | null> {
  const [found] = await selectRepurposings(transaction, eq(repurposing.repurposingId, repurposingId))
  return found ?? null
}

function selectRepurposings(transaction: AcademyTransaction, where: SQL) {
  return transaction
    .select({ repurposing, reason: freeText.content })
    .from(repurposing)
    .innerJoin(freeText, eq(freeText.textId, repurposing.reasonTextId))
    .where(where)
    .orderBy(asc(repurposing.repurposedAt), asc(repurposing.repurposingId))
}

export async function insertRepurposing(
  transaction: AcademyTransaction,
  row: typeof repurposing.$inferSelect,
): Promise<void> {
  await transaction.insert(repurposing).values(row)
}

export function toRepurposing({ repurposing: row, reason }: FoundRepurposing): Repurposing {
  return {
    repurposingId: row.repurposingId,
    shotId: row.shotId,
    repurposedBy: row.repurposedBy,
    purposeBefore: row.purposeBefore,
    purpose: row.purpose,
    faultShown: row.faultShown,
    reason,
    repurposedAt: row.repurposedAt.toISOString(),
    receivedAt: row.receivedAt.toISOString(),
  }
}
