import { and, eq, inArray, isNull } from 'drizzle-orm'
import type { AcademyTransaction } from '../database/pool.ts'
import { claim, shot, shotRevision } from '../database/schema/index.ts'

/** Notes that a revision was entered under a name that nobody has proved yet. */
export async function insertClaim(
  transaction: AcademyTransaction,
  row: typeof claim.$inferInsert,
): Promise<void> {
  await transaction.insert(claim).values(row)
}

/** Confirms what was claimed for a person on a device; returns the revisions and who pulled their shots. */
export async function confirmClaimsOn(
  transaction: AcademyTransaction,
  { personId, deviceHash, now }: { personId: string; deviceHash: string; now: Date },
): Promise<{ revisionId: string; pulledBy: string }[]> {
  const confirmed = await transaction
    .update(claim)
    .set({ confirmedAt: now })
    .where(and(eq(claim.judgedBy, personId), eq(claim.deviceHash, deviceHash), isNull(claim.confirmedAt)))
    .returning({ revisionId: claim.revisionId })
  if (confirmed.length === 0) return []
  const ids = confirmed.map(({ revisionId }) => revisionId)
  return transaction
    .select({ revisionId: shotRevision.revisionId, pulledBy: shot.personId })
    .from(shotRevision)
    .innerJoin(shot, eq(shot.shotId, shotRevision.shotId))
    .where(inArray(shotRevision.revisionId, ids))
}
