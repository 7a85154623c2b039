import type { GroupStage, Training, TrainingEventInput } from '@calm-apron/contract'
import { type TrainingEvent, type TrainingHappening, trainingState } from '@calm-apron/core'
import { leaveTrace } from '../audit/trace.ts'
import { notThere, refuseUnlessOwn } from '../doors/actor.ts'
import { type Kept, once } from '../http/once.ts'
import type { Errand } from '../http/serve.ts'
import { standingOf } from '../people/queries.ts'
import { refuseField } from '../refusal.ts'
import { tellLive } from './live.ts'
import { eventsOf, findEvent, insertEvent, trainingsSince } from './queries.ts'

/** A training that began longer ago is nobody's any more. */
const RECENT_MS = 24 * 3_600_000

/** Trainings of the last day that are not over, newest first: whose seat one has, or all. */
export async function listOpenTrainings({ actor, transaction, now }: Errand): Promise<Training[]> {
  const recent = await trainingsSince(transaction, new Date(now.getTime() - RECENT_MS))
  return recent
    .filter(({ events }) => {
      const state = trainingState(events)
      if (state === null || state.ended !== null) return false
      return actor.part !== 'trainee' || hasSeat(events, actor.personId)
    })
    .reverse()
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

/** Whether somebody has, or had, a seat. */
function hasSeat(events: readonly TrainingEvent[], personId: string): boolean {
  return events.some(
    ({ happening, by }) =>
      ('setup' in happening && happening.setup.seats.some((seat) => seat.personId === personId)) ||
      (happening.kind === 'started' && by === personId),
  )
}

/** What leaves a trace: beginnings, ends and who is where; breaks and locks tell of themselves. */
const TRACE_OF = {
  started: 'training-started',
  changed: 'training-changed',
  ended: 'training-ended',
} as const satisfies Partial<Record<TrainingHappening['kind'], string>>

/**
 * Notes what happened. Repeated, it is what was noted before.
 * @throws {Refusal} `id-taken`; `not-found` for a training that was not started, or another's; `invalid-input`
 */
export async function noteEvent(
  errand: Errand,
  trainingId: string,
  eventId: string,
  input: TrainingEventInput,
): Promise<Kept<Training>> {
  const { transaction } = errand
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
  { actor, transaction, now }: Errand,
  trainingId: string,
  eventId: string,
  { by, at, happening }: TrainingEventInput,
  digest: string,
): Promise<Training> {
  const event = { eventId, by, at, happening }
  const known = await eventsOf(transaction, trainingId)
  if (known.length === 0 && happening.kind !== 'started') throw notThere()
  refuseUnlessOwn(actor, 'lead-training', hasSeat([...known, event], actor.personId))
  if ((await standingOf(transaction, by)) === null)
    throw refuseField('by', 'unknown-id', 'There is nobody by this id.')
  const { academyId, personId: sentBy } = actor
  await insertEvent(transaction, {
    ...event,
    academyId,
    trainingId,
    sentBy,
    at: new Date(at),
    receivedAt: now,
    kind: happening.kind,
    bodyDigest: digest,
  })
  if (happening.kind in TRACE_OF) {
    const kind = TRACE_OF[happening.kind as keyof typeof TRACE_OF]
    await leaveTrace(
      transaction,
      { academyId, kind, actorId: by, personId: null, subjectId: trainingId, after: happening },
      now,
    )
  }
  await tellLive(transaction, academyId, trainingId, { kind: 'training', trainingId })
  return { trainingId, events: await eventsOf(transaction, trainingId) }
}

/** Passes on what a group is doing; nothing of it is kept. @throws {Refusal} `not-found` */
export async function passOnStage(
  errand: Errand,
  trainingId: string,
  group: string,
  stage: GroupStage,
): Promise<void> {
  await eventsSeenBy(errand, trainingId)
  const { actor, transaction } = errand
  await tellLive(transaction, actor.academyId, trainingId, { kind: 'stage', stage: { group, ...stage } })
}
