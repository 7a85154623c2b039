import type { Action } from '@calm-apron/contract'
import { notThere, ownsShot, refuseUnlessOwn } from '../doors/actor.ts'
import type { Errand } from '../http/serve.ts'
import { findShotOwner } from '../shots/queries.ts'

/** Who pulled a shot that may be reached by this action. @throws {Refusal} `not-found` */
export async function ownerOf({ actor, transaction }: Errand, action: Action, shotId: string) {
  const owner = await findShotOwner(transaction, shotId)
  if (owner === null) throw notThere()
  refuseUnlessOwn(actor, action, ownsShot(actor, owner))
  return owner
}
