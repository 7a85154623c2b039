import { type Watch, type WatchInput, teaches } from '@calm-apron/contract'
import { notThere, refuseUnlessOwn } from '../doors/actor.ts'
import { deviceInstant } from '../http/clock.ts'
import { type Kept, once } from '../http/once.ts'
import type { Errand } from '../http/serve.ts'
import { tellLive } from '../live/hub.ts'
import { refuseField } from '../refusal.ts'
import { findShotOwner } from '../shots/queries.ts'
import { seatedAmong } from './queries.ts'
import { findWatch, insertWatch, toWatch } from './watchQueries.ts'

/**
 * Keeps what somebody saw who watched a shot of a training. It may come before the shot does.
 * @throws {Refusal} `not-found` to whoever has no seat in it; `invalid-input` for one's own shot, or another training's; `id-taken`
 */
export async function keepWatch(
  errand: Errand,
  trainingId: string,
  watchId: string,
  input: WatchInput,
): Promise<Kept<Watch>> {
  const { actor, transaction } = errand
  const seated = await seatedAmong(transaction, trainingId, [actor.personId])
  if (seated === null) throw notThere()
  refuseUnlessOwn(actor, 'watch', seated.has(actor.personId))
  if (input.watchedBy !== actor.personId)
    throw refuseField('watchedBy', 'own-only', 'Whoever watched says so themselves.')
  return once(errand, {
    id: watchId,
    find: () => findWatch(transaction, watchId),
    digestOf: ({ bodyDigest }) => bodyDigest,
    isOfSame: (first) => first.trainingId === trainingId && first.watchedBy === actor.personId,
    body: input,
    tell: toWatch,
    make: (bodyDigest) => keep(errand, { trainingId, watchId, bodyDigest }, input),
    taken: 'Something else was kept under this id before; it stays as it is.',
  })
}

async function keep(
  { actor, transaction, now }: Errand,
  of: { trainingId: string; watchId: string; bodyDigest: string },
  { watchedBy, shotId, marks, call, watchedAt, ...seen }: WatchInput,
): Promise<Watch> {
  const owner = await findShotOwner(transaction, shotId)
  if (owner?.personId === watchedBy) throw refuseField('shotId', 'own-shot', 'Nobody watches their own shot.')
  if (owner !== null && owner.trainingId !== of.trainingId)
    throw refuseField('shotId', 'unknown-id', 'This shot is of no such training.')
  const { academyId } = actor
  const row = {
    ...of,
    academyId,
    shotId,
    watchedBy,
    isTeaching: teaches(actor.part),
    seen,
    marks,
    call,
    watchedAt: deviceInstant(watchedAt, now).at,
    receivedAt: now,
  }
  await insertWatch(transaction, row)
  const { trainingId } = of
  if (owner !== null)
    await tellLive(transaction, academyId, { kind: 'shot', shotId, trainingId }, owner.personId)
  return toWatch(row)
}
