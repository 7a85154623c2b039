import type { PastTrainings, PastTrainingsQuery, Training, TrainingEventInput } from '@calm-apron/contract'
import {
  type TrainingEvent,
  type TrainingHappening,
  canReopen,
  hasSeat,
  isTrainingOver,
  mayDialIn,
  trainingState,
} from '@calm-apron/core'
import { reachOf } from '@calm-apron/contract'
import { leaveTrace } from '../audit/trace.ts'
import { noteClaim } from '../claims/noteClaim.ts'
import { whoSaysNow } from '../claims/whoSays.ts'
import { notThere, refuseUnlessOwn } from '../doors/actor.ts'
import { deviceInstant } from '../http/clock.ts'
import { readCursor, writeCursor } from '../http/cursor.ts'
import { type Kept, once } from '../http/once.ts'
import type { Errand } from '../http/serve.ts'
import { roleOf } from '../people/queries.ts'
import { Refusal, refuseField } from '../refusal.ts'
import { ACTION_OF, TRACE_OF, refuseWrongSetup } from './happening.ts'
import { tellLive } from '../live/hub.ts'
import { eventsOf, findEvent, insertEvent, trainingPage, trainingsSince, turnsIn } from './queries.ts'

/** As far back as a training can still be on. */
const RECENT_MS = 24 * 3_600_000

/** Trainings that are on, newest first: whose seat one has, or all. */
export async function listOpenTrainings({ actor, transaction, now }: Errand): Promise<Training[]> {
  const recent = await trainingsSince(transaction, new Date(now.getTime() - RECENT_MS))
  return recent
    .filter(({ events }) => {
      const state = trainingState(events)
      if (state === null || isTrainingOver(state, now)) return false
      return reachOf(actor.part, 'see-trainings') === 'all' || hasSeat(events, actor.personId)
    })
    .reverse()
}

/** One page of those that are over, newest first: whose seat one had, or all. */
export async function listPastTrainings(
  { actor, transaction, now }: Errand,
  { cursor, limit }: PastTrainingsQuery,
): Promise<PastTrainings> {
  const after = cursor === undefined ? null : readCursor(cursor)
  const seat = reachOf(actor.part, 'see-trainings') === 'all' ? null : actor.personId
  const { trainings, end } = await trainingPage(transaction, { after, limit, seat })
  const over = trainings.filter(({ events }) => {
    const state = trainingState(events)
    return state !== null && isTrainingOver(state, now)
  })
  const turns = await turnsIn(
    transaction,
    over.map(({ trainingId }) => trainingId),
  )
  const isForAll = reachOf(actor.part, 'see-shots') === 'all'
  return {
    trainings: over,
    turns: turns.filter(({ personId }) => isForAll || personId === actor.personId),
    nextCursor: end === null ? null : writeCursor(end),
  }
}

/** @throws {Refusal} `not-found` */
export async function readTraining(errand: Errand, trainingId: string): Promise<Training> {
  return { trainingId, events: await eventsSeenBy(errand, trainingId) }
}

/** All that happened in a training which the actor may see. @throws {Refusal} `not-found` */
export async function eventsSeenBy(
  { actor, transaction }: Errand,
  trainingId: string,
): Promise<TrainingEvent[]> {
  const events = await eventsOf(transaction, trainingId)
  if (events.length === 0) throw notThere()
  refuseUnlessOwn(actor, 'see-trainings', hasSeat(events, actor.personId))
  return events
}

/**
 * Notes what happened. Repeated, it is what was noted before.
 * @throws {Refusal} `id-taken`; `not-allowed` to those who don't lead; `not-found` for a training that was not started,
 *   or another's; `invalid-input`
 */
export async function noteEvent(
  errand: Errand,
  trainingId: string,
  eventId: string,
  input: TrainingEventInput,
): Promise<Kept<Training>> {
  const { actor, transaction } = errand
  if (reachOf(actor.part, ACTION_OF[input.happening.kind]) === 'none')
    throw new Refusal('not-allowed', 'A training is led by those who teach.')
  return once(errand, {
    id: eventId,
    find: () => findEvent(transaction, eventId),
    digestOf: (first) => first.bodyDigest,
    isOfSame: (first) => first.trainingId === trainingId,
    body: input,
    tell: () => readTraining(errand, trainingId),
    make: (digest) => keepEvent(errand, trainingId, eventId, input, digest),
    taken: 'Something else was noted under this id before; it stays as it is.',
  })
}

async function keepEvent(
  errand: Errand,
  trainingId: string,
  eventId: string,
  input: TrainingEventInput,
  digest: string,
): Promise<Training> {
  const { actor, transaction, now } = errand
  const { by, at, happening, after = null } = input
  refuseUntimely(errand, await eventsOf(transaction, trainingId), happening)
  const saying = await whoSaysNow(errand, 'by', by)
  await refuseWhoMayNot(errand, by, happening)
  await refuseWrongSetup(transaction, happening)
  const { academyId, personId: sentBy } = actor
  await insertEvent(transaction, {
    eventId,
    by,
    happening,
    academyId,
    trainingId,
    sentBy,
    afterEventId: after,
    at: deviceInstant(at, now).at,
    receivedAt: now,
    kind: happening.kind,
    bodyDigest: digest,
  })
  await noteClaim(errand, saying, {
    kind: 'training-event',
    recordId: eventId,
    subjectId: trainingId,
    judgedBy: by,
  })
  await traceEvent(errand, trainingId, by, happening)
  await tellLive(transaction, academyId, { kind: 'training', trainingId })
  return { trainingId, events: await eventsOf(transaction, trainingId) }
}

/** What can't be said of a training as it stands. */
function refuseUntimely(
  { actor, now }: Errand,
  known: readonly TrainingEvent[],
  { kind }: TrainingHappening,
): void {
  const state = trainingState(known)
  if (kind === 'started') {
    if (state !== null) throw new Refusal('id-taken', 'Another training was started under this id.')
    return
  }
  if (state === null) throw notThere()
  refuseUnlessOwn(actor, ACTION_OF[kind], mayDialIn(state, actor.personId))
  if (kind === 'reopened' && !canReopen(state, now))
    throw refuseField('happening.kind', 'too-late', 'A training can be opened again within a day of its end.')
}

/** Whoever is said to have done it must be one who may. */
async function refuseWhoMayNot(
  { actor, transaction }: Errand,
  by: string,
  { kind }: TrainingHappening,
): Promise<void> {
  if (by === actor.personId) return
  const role = await roleOf(transaction, by)
  if (role === null || reachOf(role, ACTION_OF[kind]) !== 'all')
    throw refuseField('by', 'not-theirs', 'This is not theirs to do.')
}

async function traceEvent(
  { actor, transaction, now }: Errand,
  trainingId: string,
  actorId: string,
  happening: TrainingHappening,
): Promise<void> {
  const kind = TRACE_OF[happening.kind]
  if (kind === undefined) return
  const { academyId, personId: sentBy } = actor
  const after = sentBy === actorId ? happening : { ...happening, sentBy }
  await leaveTrace(
    transaction,
    { academyId, kind, actorId, personId: null, subjectId: trainingId, after },
    now,
  )
}
