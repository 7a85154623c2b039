import { BOUNDS, type Photo, type PhotoInput, type Ruling, type RulingInput } from '@calm-apron/contract'
import { noteClaim } from '../claims/noteClaim.ts'
import { whoSaysNow } from '../claims/whoSays.ts'
import { keepText, leaveTrace } from '../audit/trace.ts'
import { deviceInstant } from '../http/clock.ts'
import { type Kept, once, waitForOthersUnder } from '../http/once.ts'
import type { Errand } from '../http/serve.ts'
import { refuseField } from '../refusal.ts'
import { barePicture } from './barePicture.ts'
import { findPhoto, findRuling, insertPhoto, insertRuling, photosOf, toRuling } from './queries.ts'
import { ownerOf } from './tastingAccess.ts'

/**
 * Sets a trainer's own reading beside the tool's.
 * @throws {Refusal} `id-taken`; `not-found`
 */
export async function overrule(
  errand: Errand,
  shotId: string,
  rulingId: string,
  input: RulingInput,
): Promise<Kept<Ruling>> {
  const { personId } = await ownerOf(errand, 'overrule', shotId)
  const { transaction } = errand
  // A ruling weighs more than any call: it is the signed-in trainer's own.
  if (input.ruledBy !== errand.actor.personId)
    throw refuseField('ruledBy', 'own-only', 'Whoever overrules a reading signs in to do so.')
  return once(errand, {
    id: rulingId,
    find: () => findRuling(transaction, rulingId),
    digestOf: ({ ruling }) => ruling.bodyDigest,
    isOfSame: ({ ruling }) => ruling.shotId === shotId,
    body: input,
    tell: toRuling,
    make: (digest) => keepRuling(errand, { shotId, rulingId, personId, digest }, input),
    taken: TAKEN,
  })
}

async function keepRuling(
  { actor, transaction, now }: Errand,
  of: { shotId: string; rulingId: string; personId: string; digest: string },
  { reason, ruledBy, ruledAt, rulesVersion = null, ...said }: RulingInput,
): Promise<Ruling> {
  const { shotId, rulingId, personId, digest } = of
  const { academyId } = actor
  const text = { academyId, aboutId: personId, writtenBy: ruledBy, content: reason }
  const reasonTextId = await keepText(transaction, text)
  const row = {
    ...said,
    academyId,
    rulingId,
    shotId,
    ruledBy,
    reasonTextId,
    ruledAt: deviceInstant(ruledAt, now).at,
    receivedAt: now,
    rulesVersion,
    bodyDigest: digest,
  }
  await insertRuling(transaction, row)
  const trace = { academyId, actorId: ruledBy, personId, subjectId: shotId, after: said }
  await leaveTrace(transaction, { ...trace, kind: 'reading-overruled', whyTextId: reasonTextId }, now)
  return toRuling({ ruling: row, reason })
}

/**
 * Adds a photo to a shot.
 * @throws {Refusal} `id-taken`; `not-found`; `invalid-input` where there are enough already
 */
export async function addPhoto(
  errand: Errand,
  shotId: string,
  photoId: string,
  input: PhotoInput,
): Promise<Kept<Photo>> {
  const { personId } = await ownerOf(errand, 'add-photo', shotId)
  const { actor, transaction, now } = errand
  const { takenBy, takenAt } = input
  const bare = barePicture(input.picture)
  const picture = bare ?? input.picture
  const record = { photoId, takenBy, takenAt, picture }
  return once(errand, {
    id: photoId,
    find: () => findPhoto(transaction, photoId),
    digestOf: (first) => first.bodyDigest,
    isOfSame: (first) => first.shotId === shotId,
    body: input,
    tell: () => record,
    make: async (bodyDigest) => {
      if (bare === null)
        throw refuseField('picture', 'no-picture', 'Its bytes are not those of a whole JPEG, PNG or WebP.')
      const saying = await whoSaysNow(errand, 'takenBy', takenBy, personId)
      // Two that are sent at once must not both find the last place.
      await waitForOthersUnder(transaction, shotId)
      if ((await photosOf(transaction, shotId)) >= BOUNDS.photosOfShot.max)
        throw refuseField('picture', 'enough-photos', `A shot keeps ${BOUNDS.photosOfShot.max} photos.`)
      const text = { academyId: actor.academyId, aboutId: personId, writtenBy: takenBy, content: picture }
      await insertPhoto(transaction, {
        academyId: actor.academyId,
        photoId,
        shotId,
        takenBy,
        takenAt: deviceInstant(takenAt, now).at,
        receivedAt: now,
        pictureTextId: await keepText(transaction, text),
        bodyDigest,
      })
      await noteClaim(errand, saying, {
        kind: 'photo',
        recordId: photoId,
        subjectId: shotId,
        judgedBy: takenBy,
      })
      const trace = { academyId: actor.academyId, actorId: takenBy, personId, subjectId: shotId }
      await leaveTrace(transaction, { ...trace, kind: 'photo-added' }, now)
      return record
    },
    taken: TAKEN,
  })
}

const TAKEN = 'Something else was recorded under this id before; it stays as it is.'
