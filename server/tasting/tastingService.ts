import type { Action, Call, CallInput, Slip, SlipInput, SlipSide, Tasting } from '@calm-apron/contract'
import { keepText, leaveTrace } from '../audit/trace.ts'
import { notThere, ownsShot, refuseUnlessOwn } from '../doors/actor.ts'
import type { Errand } from '../http/serve.ts'
import { Refusal } from '../refusal.ts'
import { bodyDigest } from '../http/bodyDigest.ts'
import { findShotOwner } from '../shots/queries.ts'
import {
  findCall,
  findSlip,
  insertCall,
  insertSlip,
  listCalls,
  listSlips,
  newestOf,
  toCall,
} from './queries.ts'

/** What was kept now, or by the same request before. */
interface Kept<T> {
  created: boolean
  record: T
}

/**
 * Calls and slips of a shot. What another person said is withheld until both sides have tasted or been skipped, so that
 * neither leans on the other.
 * @throws {Refusal} `not-found`
 */
export async function readTasting(errand: Errand, shotId: string): Promise<Tasting> {
  await ownerOf(errand, 'see-tasting', shotId)
  const { actor, transaction } = errand
  const slips = await listSlips(transaction, shotId)
  const calls = await listCalls(transaction, shotId)
  const sides = { trainee: stateOf(slips, 'trainee'), trainer: stateOf(slips, 'trainer') }
  const isOpen = sides.trainee !== 'waiting' && sides.trainer !== 'waiting'
  return {
    sides,
    isOpen,
    slips: slips.filter(({ filledBy }) => isOpen || filledBy === actor.personId),
    calls: calls.filter(({ personId }) => isOpen || personId === actor.personId),
  }
}

function stateOf(slips: readonly Slip[], side: SlipSide): Tasting['sides'][SlipSide] {
  const newest = newestOf(slips, side)
  if (newest === null) return 'waiting'
  return newest.taste === null ? 'skipped' : 'in'
}

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
  const { personId } = await ownerOf(errand, 'make-call', shotId)
  const { actor, transaction, now } = errand
  const digest = bodyDigest(input)
  const { academyId } = actor
  const row = {
    ...input,
    academyId,
    callId,
    shotId,
    personId: actor.personId,
    calledAt: new Date(input.calledAt),
    receivedAt: now,
    bodyDigest: digest,
  }
  if (!(await insertCall(transaction, row))) {
    const first = await findCall(transaction, callId)
    const isSame = first?.shotId === shotId && first.personId === actor.personId
    if (!isSame || first.bodyDigest !== digest)
      throw new Refusal('id-taken', 'A call was made at this stage already; it stays as it is.')
    return { created: false, record: toCall(first) }
  }
  const { stage, verdict, cause, move } = input
  await leaveTrace(
    transaction,
    {
      academyId,
      kind: 'call-made',
      actorId: actor.personId,
      personId,
      subjectId: shotId,
      after: { stage, verdict, cause, move },
    },
    now,
  )
  return { created: true, record: toCall(row) }
}

/**
 * Fills, corrects or skips one side's slip. The trainee's side is filled by whoever pulled, the trainer's by another;
 * either is skipped by a trainer.
 * @throws {Refusal} `not-allowed`, `changed-meanwhile` with both versions, `id-taken`, `not-found`, `invalid-input`
 */
export async function fillSlip(
  errand: Errand,
  shotId: string,
  slipId: string,
  input: SlipInput,
): Promise<Kept<Slip>> {
  const { personId } = await ownerOf(errand, 'fill-slip', shotId)
  const { actor, transaction, now } = errand
  const { academyId, personId: filledBy } = actor
  refuseOtherSide(errand, input, personId)
  const digest = bodyDigest(input)
  const slips = await listSlips(transaction, shotId)
  const first = await findSlip(transaction, slipId)
  if (first !== null) {
    const known = slips.find((each) => each.slipId === slipId)
    if (!known || first.filledBy !== filledBy || first.bodyDigest !== digest)
      throw new Refusal('id-taken', 'Another slip was filled under this id; it stays as it is.')
    return { created: false, record: known }
  }
  const before = newestOf(slips, input.side)
  if ((before?.revisionNo ?? 0) !== input.basedOnNo) {
    const current = await visibleOrNull(errand, shotId, before)
    throw new Refusal('changed-meanwhile', 'This side’s slip was filled meanwhile.', [], {
      versions: { current, yours: input },
    })
  }
  const { reason, side, taste, tastedAt } = input
  const reasonTextId =
    reason === null
      ? null
      : await keepText(transaction, { academyId, aboutId: personId, writtenBy: filledBy, content: reason })
  await insertSlip(transaction, {
    academyId,
    slipId,
    shotId,
    side,
    revisionNo: input.basedOnNo + 1,
    filledBy,
    reasonTextId,
    skipped: taste === null,
    sour: taste?.sour ?? null,
    sweet: taste?.sweet ?? null,
    bitter: taste?.bitter ?? null,
    body: taste?.body ?? null,
    dryness: taste?.dryness ?? null,
    tastedAt: new Date(tastedAt),
    receivedAt: now,
    bodyDigest: digest,
  })
  await leaveTrace(
    transaction,
    {
      academyId,
      kind: taste === null ? 'slip-skipped' : before === null ? 'slip-filled' : 'slip-corrected',
      actorId: filledBy,
      personId,
      subjectId: shotId,
      before: before === null ? null : { side, taste: before.taste },
      after: { side, taste },
      whyTextId: reasonTextId,
    },
    now,
  )
  const revisionNo = input.basedOnNo + 1
  const receivedAt = now.toISOString()
  const kept = { slipId, shotId, side, revisionNo, filledBy, reason, taste, tastedAt, receivedAt }
  return { created: true, record: kept }
}

/** A lost race must not show the other's slip early either. */
async function visibleOrNull(errand: Errand, shotId: string, slip: Slip | null): Promise<Slip | null> {
  const { slips } = await readTasting(errand, shotId)
  return slips.find(({ slipId }) => slipId === slip?.slipId) ?? null
}

function refuseOtherSide({ actor }: Errand, { side, taste }: SlipInput, pulledBy: string): void {
  const isStaff = actor.part === 'head' || actor.part === 'trainer'
  const isOwnSide = side === 'trainee' ? actor.personId === pulledBy : isStaff && actor.personId !== pulledBy
  if (taste === null ? isStaff : isOwnSide) return
  throw new Refusal('not-allowed', 'This side of the tasting is another person’s to fill.')
}

async function ownerOf({ actor, transaction }: Errand, action: Action, shotId: string) {
  const owner = await findShotOwner(transaction, shotId)
  if (owner === null) throw notThere()
  refuseUnlessOwn(actor, action, ownsShot(actor, owner))
  return owner
}
