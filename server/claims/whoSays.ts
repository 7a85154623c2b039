import { teaches } from '@calm-apron/contract'
import { findRemembered } from '../doors/sessionQueries.ts'
import type { Errand } from '../http/serve.ts'
import { standingOf } from '../people/queries.ts'
import { refuseField } from '../refusal.ts'

/** Who said something, and how sure that is. */
export interface Said {
  /** Whose tablet it was, or who held it, where that is another; null for one's own. */
  takenDownBy: string | null
  /** Entered under the name of someone who has not shown who they are: theirs once they say so. */
  isClaimed: boolean
}

/**
 * How sure it is that the one who is named said this: the sender themselves; whoever holds a tablet that was handed to
 * them; whoever pulled the shot, in the hearing of those who teach; or someone whom this device remembers, entered
 * without network. `ended`: their account has ended meanwhile.
 * @param field where they are named
 * @param inHearing whose words those who teach may take down, where they may
 * @throws {Refusal} `invalid-input` for anyone else
 */
export async function whoSays(
  { actor, transaction, now }: Errand,
  field: string,
  saidBy: string,
  inHearing: string | null = null,
): Promise<Said | 'ended'> {
  const { personId, holderId, part, deviceHash } = actor
  if (saidBy === personId) return { takenDownBy: holderId === personId ? null : holderId, isClaimed: false }
  // Whoever holds a handed tablet speaks for themselves alone.
  if (part === 'handed') throw notHere(field)
  const standing = await standingOf(transaction, saidBy)
  if (standing === null) throw refuseField(field, 'unknown-id', 'There is nobody by this id.')
  if (standing === 'ended') return 'ended'
  if (teaches(part) && saidBy === inHearing) return { takenDownBy: personId, isClaimed: false }
  if ((await findRemembered(transaction, deviceHash, saidBy, now)) !== null)
    return { takenDownBy: personId, isClaimed: true }
  throw notHere(field)
}

/** The same where nothing is kept for those whose account has ended. @throws {Refusal} `invalid-input` */
export async function whoSaysNow(
  errand: Errand,
  field: string,
  saidBy: string,
  inHearing: string | null = null,
): Promise<Said> {
  const said = await whoSays(errand, field, saidBy, inHearing)
  if (said === 'ended') throw refuseField(field, 'ended', 'Their account has ended.')
  return said
}

function notHere(field: string) {
  return refuseField(field, 'not-at-this-device', 'They have not signed in on this device lately.')
}
