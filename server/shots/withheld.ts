import { teaches } from '@calm-apron/contract'
import type { Errand } from '../http/serve.ts'
import { isSealedInSet, isWithheldYet, shotsAmong } from './awaitsCall.ts'

type Asking = Pick<Errand, 'transaction'> & { actor: Pick<Errand['actor'], 'part'> }

/** Those of these shots whose reading waits for the call of whoever pulled them, or for the end of their set; to those who teach all are open. */
export async function withheldFrom(
  { actor, transaction }: Asking,
  shotIds: readonly string[],
): Promise<Set<string>> {
  return teaches(actor.part) ? new Set() : shotsAmong(transaction, shotIds, isWithheldYet)
}

export async function isWithheld(asking: Asking, shotId: string): Promise<boolean> {
  return (await withheldFrom(asking, [shotId])).has(shotId)
}

/** Whether a shot belongs to a set that is on: then what was said of it is closed to everybody but whoever said it. */
export async function isSealed(transaction: Asking['transaction'], shotId: string): Promise<boolean> {
  return (await shotsAmong(transaction, [shotId], isSealedInSet)).size > 0
}
