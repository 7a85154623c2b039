import { and, eq, inArray, isNull } from 'drizzle-orm'
import { leaveTraces } from '../audit/trace.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { claim, shot, shotRevision } from '../database/schema/index.ts'

/** Notes that a revision was entered under a name that nobody has proved yet. */
export async function insertClaim(
  transaction: AcademyTransaction,
  row: typeof claim.$inferInsert,
): Promise<void> {
  await transaction.insert(claim).values(row)
}

/** Once a person has shown who they are on a device, what was claimed for them there is theirs. */
export async function confirmClaims(
  transaction: AcademyTransaction,
  {
    academyId,
    personId,
    deviceHash,
    now,
  }: { academyId: string; personId: string; deviceHash: string; now: Date },
): Promise<void> {
  const confirmed = await transaction
    .update(claim)
    .set({ confirmedAt: now })
    .where(and(eq(claim.judgedBy, personId), eq(claim.deviceHash, deviceHash), isNull(claim.confirmedAt)))
    .returning({ revisionId: claim.revisionId })
  if (confirmed.length === 0) return
  const about = await transaction
    .select({ revisionId: shotRevision.revisionId, personId: shot.personId })
    .from(shotRevision)
    .innerJoin(shot, eq(shot.shotId, shotRevision.shotId))
    .where(
      inArray(
        shotRevision.revisionId,
        confirmed.map(({ revisionId }) => revisionId),
      ),
    )
  await leaveTraces(
    transaction,
    about.map(({ revisionId, personId: pulledBy }) => ({
      academyId,
      kind: 'claim-confirmed' as const,
      actorId: personId,
      personId: pulledBy,
      subjectId: revisionId,
    })),
    now,
  )
}
