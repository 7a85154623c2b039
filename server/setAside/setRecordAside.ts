import type { SetAsideRecord } from '@calm-apron/contract'
import type { Errand } from '../http/serve.ts'
import { insertSetAside } from './queries.ts'

/** Keeps a record for the head to decide; once, however often it is sent. */
export async function setRecordAside(
  { actor, transaction, now }: Errand,
  setAsideId: string,
  write: SetAsideRecord['write'],
  judgedBy: string,
): Promise<void> {
  const { academyId, personId: sentBy } = actor
  await insertSetAside(transaction, { academyId, setAsideId, judgedBy, sentBy, receivedAt: now, write })
}
