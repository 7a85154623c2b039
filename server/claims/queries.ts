import type { Claim } from '@calm-apron/contract'
import { and, asc, eq, isNull } from 'drizzle-orm'
import type { AcademyTransaction } from '../database/pool.ts'
import { claim } from '../database/schema/index.ts'

/** Notes that a record was entered under a name that nobody has proved yet. */
export async function insertClaim(
  transaction: AcademyTransaction,
  row: typeof claim.$inferInsert,
): Promise<void> {
  await transaction.insert(claim).values(row)
}

/** What was entered in somebody's name and they have not spoken of yet, oldest first. */
export async function listOpenClaims(transaction: AcademyTransaction, personId: string): Promise<Claim[]> {
  const rows = await transaction
    .select()
    .from(claim)
    .where(and(eq(claim.judgedBy, personId), isNull(claim.confirmedAt)))
    .orderBy(asc(claim.claimedAt), asc(claim.recordId))
  return rows.map(({ recordId, kind, subjectId, sentBy, claimedAt }) => ({
    recordId,
    kind,
    subjectId,
    sentBy,
    claimedAt: claimedAt.toISOString(),
  }))
}

/** Takes somebody's word on a record in their name; null where there is none of theirs to speak of. */
export async function decideClaim(
  transaction: AcademyTransaction,
  { recordId, personId, isMine, now }: { recordId: string; personId: string; isMine: boolean; now: Date },
): Promise<{ sentBy: string; subjectId: string } | null> {
  const [row] = await transaction
    .update(claim)
    .set({ confirmedAt: now, isDenied: !isMine })
    .where(and(eq(claim.recordId, recordId), eq(claim.judgedBy, personId), isNull(claim.confirmedAt)))
    .returning({ sentBy: claim.sentBy, subjectId: claim.subjectId })
  return row ?? null
}
