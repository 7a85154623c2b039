import type { Action } from '@calm-apron/contract'
import { notThere, ownsShot, refuseUnlessOwn } from '../doors/actor.ts'
import { findRemembered } from '../doors/sessionQueries.ts'
import type { Errand } from '../http/serve.ts'
import { refuseField } from '../refusal.ts'
import { findShotOwner } from '../shots/queries.ts'

/**
 * On whose tablet something was said, where that is another's: a trainer takes down what whoever pulled says, and a
 * device what someone it remembers says, as it is when there is no network.
 * @throws {Refusal} `invalid-input` for anyone else
 */
export async function takenDown(
  { actor, transaction, now }: Errand,
  field: string,
  saidBy: string,
  pulledBy: string,
): Promise<string | null> {
  if (saidBy === actor.personId) return null
  const isPassedOn = isStaffPart(actor) && saidBy === pulledBy
  if (isPassedOn || (await findRemembered(transaction, actor.deviceHash, saidBy, now)) !== null)
    return actor.personId
  throw refuseField(field, 'not-at-this-device', 'They have not signed in on this device lately.')
}

export function isStaffPart({ part }: Pick<Errand['actor'], 'part'>): boolean {
  return part === 'head' || part === 'trainer'
}

/** Who pulled a shot that may be reached by this action. @throws {Refusal} `not-found` */
export async function ownerOf({ actor, transaction }: Errand, action: Action, shotId: string) {
  const owner = await findShotOwner(transaction, shotId)
  if (owner === null) throw notThere()
  refuseUnlessOwn(actor, action, ownsShot(actor, owner))
  return owner
}
