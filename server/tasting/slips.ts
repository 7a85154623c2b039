import { type Slip, type SlipInput, teaches } from '@calm-apron/contract'
import { keepText, leaveTrace } from '../audit/trace.ts'
import { noteClaim } from '../claims/noteClaim.ts'
import { type Said, whoSaysNow } from '../claims/whoSays.ts'
import { deviceInstant } from '../http/clock.ts'
import { once } from '../http/once.ts'
import type { Errand } from '../http/serve.ts'
import { isTeaching } from '../people/queries.ts'
import { Refusal, refuseField } from '../refusal.ts'
import { type Recorded, orSetAside } from '../setAside/setAside.ts'
import { setRecordAside } from '../setAside/setRecordAside.ts'
import { isClosedTo, standingOfNew } from './opening.ts'
import { type FoundSlip, findSlip, insertSlip, listSlips, newestOf, toSlip } from './queries.ts'
import { readTasting } from './readTasting.ts'
import { ownerOf } from './tastingAccess.ts'

/**
 * Fills, corrects or skips one side's slip. The trainee's side is filled by whoever pulled, the trainer's by another;
 * either is skipped by a trainer. Of an assessment whose slips are open nothing of the trainee's is taken any more: it is
 * kept aside for the head.
 * @throws {Refusal} `not-allowed`, `changed-meanwhile` with both versions, `id-taken`, `not-found`, `invalid-input`
 */
export async function fillSlip(
  errand: Errand,
  shotId: string,
  slipId: string,
  input: SlipInput,
): Promise<Recorded<Slip>> {
  const owner = await ownerOf(errand, 'fill-slip', shotId)
  const { personId } = owner
  const { transaction } = errand
  const { filledBy } = input
  const saying = await whoSaysNow(errand, 'filledBy', filledBy, personId)
  await refuseOtherSide(errand, input, personId)
  return orSetAside(
    await once<FoundSlip, Slip | 'set-aside'>(errand, {
      id: slipId,
      find: () => findSlip(transaction, slipId),
      digestOf: ({ slip }) => slip.bodyDigest,
      isOfSame: ({ slip }) => slip.shotId === shotId && slip.filledBy === filledBy,
      body: input,
      tell: toSlip,
      make: async (digest) => {
        if (await isClosedTo(errand, owner)) {
          await setRecordAside(errand, slipId, { kind: 'slip', shotId, slipId, body: input }, filledBy)
          return 'set-aside'
        }
        return keepSlip(errand, { shotId, slipId, pulledBy: personId, saying, digest }, input)
      },
      taken: 'Another slip was filled under this id; it stays as it is.',
    }),
  )
}

export interface NewSlip {
  shotId: string
  slipId: string
  pulledBy: string
  saying: Said
  digest: string
}

/** @throws {Refusal} `changed-meanwhile` with both versions */
export async function keepSlip(
  errand: Errand,
  { shotId, slipId, pulledBy, saying, digest }: NewSlip,
  input: SlipInput,
): Promise<Slip> {
  const { actor, transaction, now } = errand
  const { academyId } = actor
  const { reason, side, taste, tastedAt, filledBy } = input
  const slips = await listSlips(transaction, shotId)
  const before = newestOf(slips, side)
  // Written where nobody knew that a trainer had gone on without it: it is kept, as late as it comes.
  const isAfterSkip = before?.taste === null && input.basedOnNo === 0 && taste !== null
  if ((before?.revisionNo ?? 0) !== input.basedOnNo && !isAfterSkip)
    throw await overtaken(errand, shotId, before, input)
  const standing = standingOfNew(slips, input)
  if (!standing.isBlind && before?.taste != null && taste !== null && reason === null)
    throw refuseField('reason', 'missing', 'The slips are open: say why you taste it otherwise now.')
  const text = { academyId, aboutId: pulledBy, writtenBy: filledBy, content: reason ?? '' }
  const reasonTextId = reason === null ? null : await keepText(transaction, text)
  const row = {
    ...NO_TASTE,
    ...taste,
    ...standing,
    academyId,
    slipId,
    shotId,
    side,
    revisionNo: (before?.revisionNo ?? 0) + 1,
    filledBy,
    takenDownBy: saying.takenDownBy,
    reasonTextId,
    skipped: taste === null,
    tastedAt: deviceInstant(tastedAt, now).at,
    receivedAt: now,
    bodyDigest: digest,
  }
  await insertSlip(transaction, row)
  await noteClaim(errand, saying, { kind: 'slip', recordId: slipId, subjectId: shotId, judgedBy: filledBy })
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
  return toSlip({ slip: row, reason, isClaimed: saying.isClaimed })
}

const NO_TASTE = { sour: null, sweet: null, bitter: null, body: null, dryness: null }

/** A lost race must not show the other's slip early either. */
async function overtaken(
  errand: Errand,
  shotId: string,
  before: Slip | null,
  yours: SlipInput,
): Promise<Refusal> {
  const { slips } = await readTasting(errand, shotId)
  const current = slips.find(({ slipId }) => slipId === before?.slipId) ?? null
  return new Refusal('changed-meanwhile', 'This side’s slip was filled meanwhile.', [], {
    versions: { current, yours },
  })
}

/**
 * The trainee's side is filled by whoever pulled, the trainer's by another of those who teach; those skip either. In
 * their name too that is done only where somebody who teaches is signed in; never on a handed tablet.
 */
async function refuseOtherSide(
  { actor, transaction }: Errand,
  { side, taste, filledBy }: SlipInput,
  pulledBy: string,
): Promise<void> {
  const isStaff = teaches(actor.part) && (await isTeaching(transaction, filledBy))
  const isOwnSide = side === 'trainee' ? filledBy === pulledBy : isStaff && filledBy !== pulledBy
  if (taste === null ? isStaff : isOwnSide) return
  throw new Refusal('not-allowed', 'This side of the tasting is another person’s to fill.')
}
