import { BOUNDS, type Photo, type PhotoInput, type Ruling, type RulingInput } from '@calm-apron/contract'
import { keepText, leaveTrace } from '../audit/trace.ts'
import { bodyDigest } from '../http/bodyDigest.ts'
import type { Errand } from '../http/serve.ts'
import { Refusal, refuseField } from '../refusal.ts'
import { findPhoto, findRuling, insertPhoto, insertRuling, listPhotos, toRuling } from './queries.ts'
import { type Kept, ownerOf, takenDown } from './tastingAccess.ts'

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
  const { actor, transaction, now } = errand
  await takenDown(errand, 'ruledBy', input.ruledBy, personId)
  const digest = bodyDigest(input)
  const first = await findRuling(transaction, rulingId)
  if (first !== null) {
    if (first.ruling.shotId !== shotId || first.ruling.bodyDigest !== digest) throw idTaken()
    return { created: false, record: toRuling(first.ruling, first.reason) }
  }
  const { academyId } = actor
  const { reason, ruledBy, ruledAt, rulesVersion = null, ...said } = input
  const text = { academyId, aboutId: personId, writtenBy: ruledBy, content: reason }
  const reasonTextId = await keepText(transaction, text)
  const row = {
    ...said,
    academyId,
    rulingId,
    shotId,
    ruledBy,
    reasonTextId,
    ruledAt: new Date(ruledAt),
    receivedAt: now,
    rulesVersion,
    bodyDigest: digest,
  }
  await insertRuling(transaction, row)
  const trace = { academyId, actorId: ruledBy, personId, subjectId: shotId, after: said }
  await leaveTrace(transaction, { ...trace, kind: 'reading-overruled', whyTextId: reasonTextId }, now)
  return { created: true, record: toRuling(row, reason) }
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
  const digest = bodyDigest(input)
  const { takenBy, takenAt, picture } = input
  const first = await findPhoto(transaction, photoId)
  if (first !== null) {
    if (first.shotId !== shotId || first.bodyDigest !== digest) throw idTaken()
    return { created: false, record: { photoId, takenBy, takenAt, picture } }
  }
  await takenDown(errand, 'takenBy', takenBy, personId)
  if ((await listPhotos(transaction, shotId)).length >= BOUNDS.photosOfShot.max)
    throw refuseField('picture', 'enough-photos', `A shot keeps ${BOUNDS.photosOfShot.max} photos.`)
  const { academyId } = actor
  const text = { academyId, aboutId: personId, writtenBy: takenBy, content: picture }
  await insertPhoto(transaction, {
    academyId,
    photoId,
    shotId,
    takenBy,
    takenAt: new Date(takenAt),
    receivedAt: now,
    pictureTextId: await keepText(transaction, text),
    bodyDigest: digest,
  })
  const trace = { academyId, actorId: takenBy, personId, subjectId: shotId }
  await leaveTrace(transaction, { ...trace, kind: 'photo-added' }, now)
  return { created: true, record: { photoId, takenBy, takenAt, picture } }
}

function idTaken(): Refusal {
  return new Refusal('id-taken', 'Something else was recorded under this id before; it stays as it is.')
}
