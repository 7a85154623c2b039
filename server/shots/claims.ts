import { leaveTraces } from '../audit/trace.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { confirmClaimsOn } from './claimQueries.ts'

/** Once a person has shown who they are on a device, what was claimed for them there is theirs. */
export async function confirmClaims(
  transaction: AcademyTransaction,
  coming: { academyId: string; personId: string; deviceHash: string; now: Date },
): Promise<void> {
  const { academyId, personId, now } = coming
  const confirmed = await confirmClaimsOn(transaction, coming)
  await leaveTraces(
    transaction,
    confirmed.map(({ revisionId, pulledBy }) => ({
      academyId,
      kind: 'claim-confirmed' as const,
      actorId: personId,
      personId: pulledBy,
      subjectId: revisionId,
    })),
    now,
  )
}
