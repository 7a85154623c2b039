import type { SetAsideRecord } from '@calm-apron/contract'
import { findRemembered } from '../doors/sessionQueries.ts'
import type { Errand } from '../http/serve.ts'
import { standingOf } from '../people/queries.ts'
import { refuseField } from '../refusal.ts'
import { insertSetAside } from '../setAside/queries.ts'

/**
 * How sure it is that the named author judged: the sender themselves; someone this device remembers, entered without
 * network and to be confirmed by their PIN; or someone whose account has ended meanwhile.
 * @throws {Refusal} `invalid-input` for anyone else
 */
export async function authorOf(
  { actor, transaction, now }: Errand,
  judgedBy: string,
): Promise<'confirmed' | 'claimed' | 'ended'> {
  if (judgedBy === actor.personId) return 'confirmed'
  const standing = await standingOf(transaction, judgedBy)
  if (standing === null) throw refuseField('judgedBy', 'unknown-id', 'There is nobody by this id.')
  if (standing === 'ended') return 'ended'
  if ((await findRemembered(transaction, actor.deviceHash, judgedBy, now)) !== null) return 'claimed'
  throw refuseField('judgedBy', 'not-at-this-device', 'They have not signed in on this device lately.')
}

/** Keeps a record for the head to decide; once, however often it is sent. */
export async function setRecordAside(
  { actor, transaction, now }: Errand,
  setAsideId: string,
  write: SetAsideRecord['write'],
): Promise<void> {
  const { academyId, personId: sentBy } = actor
  const { judgedBy } = write.body
  await insertSetAside(transaction, { academyId, setAsideId, judgedBy, sentBy, receivedAt: now, write })
}
