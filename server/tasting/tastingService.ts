import type { Call, CallInput, Slip, SlipInput, SlipSide, Tasting } from '@calm-apron/contract'
import { keepText, leaveTrace } from '../audit/trace.ts'
import type { Errand } from '../http/serve.ts'
import { roleOf } from '../people/queries.ts'
import { Refusal } from '../refusal.ts'
import { bodyDigest } from '../http/bodyDigest.ts'
import { type Kept, isStaffPart, ownerOf, takenDown } from './tastingAccess.ts'
import { isAwaitingCall } from '../shots/queries.ts'
import {
  findCall,
  findSlip,
  insertCall,
  insertSlip,
  listCalls,
  listPhotos,
  listRulings,
  listSlips,
  newestOf,
  toCall,
} from './queries.ts'

/**
 * Calls and slips of a shot. What another person said is withheld until both sides have tasted or been skipped, so that
 * neither leans on the other.
 * @throws {Refusal} `not-found`
 */
export async function readTasting(errand: Errand, shotId: string): Promise<Tasting> {
  const { personId: pulledBy } = await ownerOf(errand, 'see-tasting', shotId)
  const { actor, transaction } = errand
  const slips = await listSlips(transaction, shotId)
  const calls = await listCalls(transaction, shotId)
  const sides = { trainee: stateOf(slips, 'trainee'), trainer: stateOf(slips, 'trainer') }
  const isOpen = sides.trainee !== 'waiting' && sides.trainer !== 'waiting'
  return {
    sides,
    isOpen,
    called: {
      first: calls.some(({ stage, personId }) => stage === 'first' && personId === pulledBy),
      final: calls.some(
        ({ stage, personId, verdict }) => stage === 'final' && (personId === pulledBy || verdict === null),
      ),
    },
    slips: slips.filter(({ filledBy }) => isOpen || filledBy === actor.personId),
    calls: calls.filter(({ personId }) => isOpen || personId === actor.personId),
    // A ruling gives the reading away: whoever is still asked for a call does not see it.
    rulings: isOpen && !(await isCallAskedOf(errand, shotId)) ? await listRulings(transaction, shotId) : [],
    photos: await listPhotos(transaction, shotId),
  }
}

async function isCallAskedOf({ actor, transaction }: Errand, shotId: string): Promise<boolean> {
  const isStaff = actor.part === 'head' || actor.part === 'trainer'
  return !isStaff && (await isAwaitingCall(transaction, shotId))
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
  const { calledBy, rulesVersion = null, ...said } = input
  if (said.verdict === null) refuseSkip(errand, said.stage)
  const takenDownBy = await takenDown(errand, 'calledBy', calledBy, personId)
  const digest = bodyDigest(input)
  const { academyId } = actor
  const row = {
    ...said,
    academyId,
    callId,
    shotId,
    personId: calledBy,
    takenDownBy,
    calledAt: new Date(input.calledAt),
    receivedAt: now,
    rulesVersion,
    bodyDigest: digest,
  }
  if (!(await insertCall(transaction, row))) {
    const first = await findCall(transaction, callId)
    const isSame = first?.shotId === shotId && first.personId === calledBy
    if (!isSame || first.bodyDigest !== digest)
      throw new Refusal('id-taken', 'A call was made at this stage already; it stays as it is.')
    return { created: false, record: toCall(first) }
  }
  const { stage, verdict, cause, move } = input
  await leaveTrace(
    transaction,
    {
      academyId,
      kind: verdict === null ? 'call-skipped' : 'call-made',
      actorId: calledBy,
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
  const { academyId } = actor
  const { filledBy } = input
  const takenDownBy = await takenDown(errand, 'filledBy', filledBy, personId)
  await refuseOtherSide(errand, input, personId)
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
    takenDownBy,
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
  const kept = {
    slipId,
    shotId,
    side,
    revisionNo,
    filledBy,
    takenDownBy,
    reason,
    taste,
    tastedAt,
    receivedAt,
  }
  return { created: true, record: kept }
}

/** A lost race must not show the other's slip early either. */
async function visibleOrNull(errand: Errand, shotId: string, slip: Slip | null): Promise<Slip | null> {
  const { slips } = await readTasting(errand, shotId)
  return slips.find(({ slipId }) => slipId === slip?.slipId) ?? null
}

function refuseSkip({ actor }: Errand, stage: CallInput['stage']): void {
  if (stage === 'final' && isStaffPart(actor)) return
  throw new Refusal('not-allowed', 'Only a trainer can do without a final call.')
}

/** The trainee's side is filled by whoever pulled, the trainer's by another of those who teach; those skip either. */
async function refuseOtherSide(
  { actor, transaction }: Errand,
  { side, taste, filledBy }: SlipInput,
  pulledBy: string,
): Promise<void> {
  const isStaff =
    filledBy === actor.personId ? isStaffPart(actor) : (await roleOf(transaction, filledBy)) !== 'trainee'
  const isOwnSide = side === 'trainee' ? filledBy === pulledBy : isStaff && filledBy !== pulledBy
  if (taste === null ? isStaff : isOwnSide) return
  throw new Refusal('not-allowed', 'This side of the tasting is another person’s to fill.')
}
