import { type Call, type CallInput, teaches } from '@calm-apron/contract'
import { leaveTrace } from '../audit/trace.ts'
import { noteClaim } from '../claims/noteClaim.ts'
import { whoSaysNow } from '../claims/whoSays.ts'
import { deviceInstant } from '../http/clock.ts'
import { type Kept, once } from '../http/once.ts'
import type { Errand } from '../http/serve.ts'
import { Refusal } from '../refusal.ts'
import { findCall, insertCall, toCall } from './queries.ts'
import { ownerOf } from './tastingAccess.ts'

/**
 * Keeps a call. It is not changed afterwards: what was said was said.
 * @throws {Refusal} `id-taken` for a second one at the same stage, or another body under a used id; `not-found`
 */
export async function makeCall(
  errand: Errand,
  shotId: string,
  callId: string,
  input: CallInput,
): Promise<Kept<Call>> {
  const owner = await ownerOf(errand, 'make-call', shotId)
  const { personId } = owner
  const { actor, transaction, now } = errand
  const { calledBy, rulesVersion = null, ...said } = input
  if (said.verdict === null) refuseSkip(errand, said.stage)
  const saying = await whoSaysNow(errand, 'calledBy', calledBy, personId)
  const row = {
    ...said,
    academyId: actor.academyId,
    callId,
    shotId,
    personId: calledBy,
    takenDownBy: saying.takenDownBy,
    calledAt: deviceInstant(input.calledAt, now).at,
    receivedAt: now,
    rulesVersion,
  }
  return once(errand, {
    id: callId,
    find: () => findCall(transaction, callId),
    digestOf: ({ call }) => call.bodyDigest,
    isOfSame: ({ call }) => call.shotId === shotId && call.personId === calledBy,
    body: input,
    tell: toCall,
    make: async (bodyDigest) => {
      if (!(await insertCall(transaction, { ...row, bodyDigest }))) throw new Refusal('id-taken', CALLED)
      const claimed = { kind: 'call', recordId: callId, subjectId: shotId, judgedBy: calledBy } as const
      await noteClaim(errand, saying, claimed)
      await traceCall(errand, personId, row)
      return toCall({ call: { ...row, bodyDigest }, isClaimed: saying.isClaimed })
    },
    taken: CALLED,
  })
}

const CALLED = 'A call was made at this stage already; it stays as it is.'

async function traceCall(
  { actor, transaction, now }: Errand,
  personId: string,
  call: Pick<Call, 'personId' | 'shotId' | 'stage' | 'verdict' | 'cause' | 'move'>,
): Promise<void> {
  const { personId: actorId, shotId: subjectId, stage, verdict, cause, move } = call
  const kind = verdict === null ? 'call-skipped' : 'call-made'
  const after = { stage, verdict, cause, move }
  const { academyId } = actor
  await leaveTrace(transaction, { academyId, kind, actorId, personId, subjectId, after }, now)
}

function refuseSkip({ actor }: Errand, stage: CallInput['stage']): void {
  if (stage === 'final' && teaches(actor.part)) return
  throw new Refusal('not-allowed', 'Only a trainer can do without a final call.')
}
