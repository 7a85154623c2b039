import type { Call, CallInput, Slip, SlipInput, SlipSide, Tasting } from '@calm-apron/contract'
import { keepText, leaveTrace } from '../audit/trace.ts'
import type { Errand } from '../http/serve.ts'
import { roleOf } from '../people/queries.ts'
import { Refusal } from '../refusal.ts'
import { type Kept, once } from '../http/once.ts'
import { isStaffPart, ownerOf, takenDown } from './tastingAccess.ts'
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
  toSlip,
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
  const row = {
    ...said,
    academyId: actor.academyId,
    callId,
    shotId,
    personId: calledBy,
    takenDownBy,
    calledAt: new Date(input.calledAt),
    receivedAt: now,
    rulesVersion,
  }
  return once(errand, {
    id: callId,
    find: () => findCall(transaction, callId),
    digestOf: (first) => first.bodyDigest,
    isOfSame: (first) => first.shotId === shotId && first.personId === calledBy,
    body: input,
    tell: toCall,
    make: async (bodyDigest) => {
      if (!(await insertCall(transaction, { ...row, bodyDigest }))) throw new Refusal('id-taken', CALLED)
      await traceCall(errand, personId, row)
      return toCall({ ...row, bodyDigest })
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
  const { transaction } = errand
  const { filledBy } = input
  const takenDownBy = await takenDown(errand, 'filledBy', filledBy, personId)
  await refuseOtherSide(errand, input, personId)
  return once(errand, {
    id: slipId,
    find: () => findSlip(transaction, slipId),
    digestOf: ({ slip }) => slip.bodyDigest,
    isOfSame: ({ slip }) => slip.shotId === shotId && slip.filledBy === filledBy,
    body: input,
    tell: ({ slip, reason }) => toSlip(slip, reason),
    make: (digest) => keepSlip(errand, { shotId, slipId, pulledBy: personId, takenDownBy, digest }, input),
    taken: 'Another slip was filled under this id; it stays as it is.',
  })
}

interface NewSlip {
  shotId: string
  slipId: string
  pulledBy: string
  takenDownBy: string | null
  digest: string
}

/** @throws {Refusal} `changed-meanwhile` with both versions */
async function keepSlip(
  errand: Errand,
  { shotId, slipId, pulledBy, takenDownBy, digest }: NewSlip,
  input: SlipInput,
): Promise<Slip> {
  const { actor, transaction, now } = errand
  const { academyId } = actor
  const { reason, side, taste, tastedAt, filledBy } = input
  const before = newestOf(await listSlips(transaction, shotId), side)
  if ((before?.revisionNo ?? 0) !== input.basedOnNo) {
    const current = await visibleOrNull(errand, shotId, before)
    throw new Refusal('changed-meanwhile', 'This side’s slip was filled meanwhile.', [], {
      versions: { current, yours: input },
    })
  }
  const text = { academyId, aboutId: pulledBy, writtenBy: filledBy, content: reason ?? '' }
  const reasonTextId = reason === null ? null : await keepText(transaction, text)
  const row = {
    ...NO_TASTE,
    ...taste,
    academyId,
    slipId,
    shotId,
    side,
    revisionNo: input.basedOnNo + 1,
    filledBy,
    takenDownBy,
    reasonTextId,
    skipped: taste === null,
    tastedAt: new Date(tastedAt),
    receivedAt: now,
    bodyDigest: digest,
  }
  await insertSlip(transaction, row)
  await leaveTrace(
    transaction,
    {
      academyId,
      kind: taste === null ? 'slip-skipped' : before === null ? 'slip-filled' : 'slip-corrected',
      actorId: filledBy,
      personId: pulledBy,
      subjectId: shotId,
      before: before === null ? null : { side, taste: before.taste },
      after: { side, taste },
      whyTextId: reasonTextId,
    },
    now,
  )
  return toSlip(row, reason)
}

const NO_TASTE = { sour: null, sweet: null, bitter: null, body: null, dryness: null }

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
