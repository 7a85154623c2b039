import type { ClaimKind } from '@calm-apron/contract'
import type { Errand } from '../http/serve.ts'
import { insertClaim } from './queries.ts'
import type { Said } from './whoSays.ts'

/** Notes that a record stands under the name of someone who has not shown who they are, where that is so. */
export async function noteClaim(
  { actor, transaction, now }: Errand,
  { isClaimed }: Said,
  record: { kind: ClaimKind; recordId: string; subjectId: string; judgedBy: string },
): Promise<void> {
  if (!isClaimed) return
  const { academyId, personId: sentBy, deviceHash } = actor
  await insertClaim(transaction, { ...record, academyId, sentBy, deviceHash, claimedAt: now })
}
