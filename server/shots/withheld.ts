import { teaches } from '@calm-apron/contract'
import type { Errand } from '../http/serve.ts'
import { awaitsCall, shotsAmong } from './awaitsCall.ts'

type Asking = Pick<Errand, 'transaction'> & { actor: Pick<Errand['actor'], 'part'> }

/** Those of these shots whose reading waits for the call of whoever pulled them; to those who teach all are open. */
export async function withheldFrom(
  { actor, transaction }: Asking,
  shotIds: readonly string[],
): Promise<Set<string>> {
  return teaches(actor.part) ? new Set() : shotsAmong(transaction, shotIds, awaitsCall)
}

export async function isWithheld(asking: Asking, shotId: string): Promise<boolean> {
  return (await withheldFrom(asking, [shotId])).has(shotId)
}
