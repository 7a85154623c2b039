import type { Repurposing, RepurposingInput } from '@calm-apron/contract'
import { keepText, leaveTrace } from '../audit/trace.ts'
import { deviceInstant } from '../http/clock.ts'
import { type Kept, once, waitForOthersUnder } from '../http/once.ts'
import type { Errand } from '../http/serve.ts'
import { Refusal, refuseField } from '../refusal.ts'
import { type ShotOwner, findShotOwner, updatePurpose } from '../shots/queries.ts'
import { findRepurposing, insertRepurposing, toRepurposing } from './repurposeQueries.ts'
import { ownerOf } from './tastingAccess.ts'

/**
 * Says afterwards what a shot was for. A shot of a set stays one: else a set could be bent by what counts in it.
 * @throws {Refusal} `id-taken`; `not-found`; `invalid-input`; `changed-meanwhile` where it was called otherwise by now
 */
export async function repurpose(
  errand: Errand,
  shotId: string,
  repurposingId: string,
  input: RepurposingInput,
): Promise<Kept<Repurposing>> {
  await ownerOf(errand, 'repurpose-shot', shotId)
  const { actor, transaction } = errand
  if (input.repurposedBy !== actor.personId)
    throw refuseField('repurposedBy', 'own-only', 'Whoever says what a shot was for signs in to do so.')
  return once(errand, {
    id: repurposingId,
    find: () => findRepurposing(transaction, repurposingId),
    digestOf: (first) => first.repurposing.bodyDigest,
    isOfSame: (first) => first.repurposing.shotId === shotId,
    body: input,
    tell: toRepurposing,
    make: async (digest) => {
      // Of two at once the second is told of the first.
      await waitForOthersUnder(transaction, shotId)
      const owner = await findShotOwner(transaction, shotId)
      if (owner === null) throw new Error('A shot went while it was called otherwise.')
      refuseOfSet(owner, input)
      if (owner.purpose !== input.purposeBefore) throw calledOtherwise(owner, input)
      return keep(errand, owner, repurposingId, digest, input)
    },
    taken: 'Something else was kept under this id before; it stays as it is.',
  })
}

function calledOtherwise({ purpose }: ShotOwner, yours: RepurposingInput): Refusal {
  const says = 'Somebody has said meanwhile what this shot was for. Look at it, and say it again if need be.'
  return new Refusal('changed-meanwhile', says, [], { versions: { current: { purpose }, yours } })
}

function refuseOfSet({ purpose }: ShotOwner, asked: RepurposingInput): void {
  if (purpose === 'assessment' && asked.purpose !== 'equipment-failure')
    throw refuseField('purpose', 'of-a-set', 'A shot of a set can only be told to be an equipment failure.')
  if (asked.purpose === 'assessment')
    throw refuseField('purpose', 'of-a-set', 'A set is pulled as one; no shot becomes part of it afterwards.')
}

async function keep(
  { actor, transaction, now }: Errand,
  owner: ShotOwner,
  repurposingId: string,
  bodyDigest: string,
  { reason, purpose, faultShown, repurposedAt }: RepurposingInput,
): Promise<Repurposing> {
  const { academyId, personId: repurposedBy } = actor
  const { shotId, personId, purpose: purposeBefore } = owner
  const text = { academyId, aboutId: personId, writtenBy: repurposedBy, content: reason }
  const reasonTextId = await keepText(transaction, text)
  const row = {
    academyId,
    repurposingId,
    shotId,
    repurposedBy,
    purposeBefore,
    purpose,
    faultShown,
    reasonTextId,
    repurposedAt: deviceInstant(repurposedAt, now).at,
    receivedAt: now,
    bodyDigest,
  }
  await insertRepurposing(transaction, row)
  await updatePurpose(transaction, shotId, { purpose, faultShown })
  const trace = { academyId, actorId: repurposedBy, personId, subjectId: shotId, whyTextId: reasonTextId }
  const [before, after] = [{ purpose: purposeBefore }, { purpose, faultShown }]
  await leaveTrace(transaction, { ...trace, kind: 'shot-repurposed', before, after }, now)
  return toRepurposing({ repurposing: row, reason })
}
