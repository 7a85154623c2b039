import type { PastTrainings, Training } from '@calm-apron/contract'
import { SHOT_PURPOSES, isTurn } from '@calm-apron/core'
import { type SQL, and, asc, desc, eq, gt, inArray, sql } from 'drizzle-orm'
import { anyOf } from '../database/anyOf.ts'
import { behindEnd } from '../database/behindEnd.ts'
import { keptQuery } from '../database/keptQuery.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import type { PageEnd } from '../http/cursor.ts'
import { shot, trainingEvent } from '../database/schema/index.ts'

type EventRow = typeof trainingEvent.$inferSelect
type SentEvent = Training['events'][number]

/** All that happened in one training, oldest first; empty where there is none by that id. */
export async function eventsOf(transaction: AcademyTransaction, trainingId: string): Promise<SentEvent[]> {
  return (await eventsOfOne(transaction, { trainingId })).map(toEvent)
}

const eventsOfOne = keptQuery((builder) =>
  builder
    .select()
    .from(trainingEvent)
    .where(eq(trainingEvent.trainingId, sql.placeholder('trainingId')))
    .orderBy(asc(trainingEvent.at), asc(trainingEvent.eventId)),
)

/** Trainings that were started since an instant, each with all that happened in it. */
export async function trainingsSince(transaction: AcademyTransaction, since: Date): Promise<Training[]> {
  const started = transaction
    .select({ trainingId: trainingEvent.trainingId })
    .from(trainingEvent)
    .where(and(eq(trainingEvent.kind, 'started'), gt(trainingEvent.at, since)))
  return inOrderOfStart(transaction, inArray(trainingEvent.trainingId, started))
}

/** One page of trainings by when they were started, newest first, and where the next one begins. */
export async function trainingPage(
  transaction: AcademyTransaction,
  { after, limit, seat }: { after: PageEnd | null; limit: number; seat: string | null },
): Promise<{ trainings: Training[]; end: PageEnd | null }> {
  const conditions: SQL[] = [eq(trainingEvent.kind, 'started')]
  if (seat !== null) conditions.push(inArray(trainingEvent.trainingId, trainingsOf(transaction, seat)))
  if (after !== null) conditions.push(behindEnd(trainingEvent.at, trainingEvent.eventId, after))
  const started = await transaction
    .select({ trainingId: trainingEvent.trainingId, at: trainingEvent.at, id: trainingEvent.eventId })
    .from(trainingEvent)
    .where(and(...conditions))
    .orderBy(desc(trainingEvent.at), desc(trainingEvent.eventId))
    .limit(limit + 1)
  const page = started.slice(0, limit)
  const last = page.at(-1)
  const ids = page.map(({ trainingId }) => trainingId)
  const trainings = await inOrderOfStart(transaction, anyOf(trainingEvent.trainingId, sql.param(ids)))
  const end = started.length > limit && last ? { at: last.at.toISOString(), id: last.id } : null
  return { trainings: trainings.reverse(), end }
}

const TURNS = SHOT_PURPOSES.filter(isTurn)

const turnsInTrainings = keptQuery((builder) =>
  builder
    .select({
      trainingId: sql<string>`${shot.trainingId}`.as('of_training'),
      personId: shot.personId,
      shots: sql<number>`count(*)::int`.as('shots'),
    })
    .from(shot)
    .where(
      and(
        anyOf(shot.trainingId, sql.placeholder('trainingIds')),
        anyOf(shot.purpose, sql.placeholder('purposes')),
      ),
    )
    .groupBy(shot.trainingId, shot.personId),
)

/** How many turns each pulled in these trainings, those who pulled most first. */
export async function turnsIn(
  transaction: AcademyTransaction,
  trainingIds: readonly string[],
): Promise<PastTrainings['turns']> {
  const rows = await turnsInTrainings(transaction, { trainingIds, purposes: TURNS })
  return rows.toSorted((a, b) => b.shots - a.shots || a.personId.localeCompare(b.personId))
}

/** Trainings in which somebody sits, or did. */
function trainingsOf(transaction: AcademyTransaction, personId: string) {
  const seated = JSON.stringify({ setup: { seats: [{ personId }] } })
  return transaction
    .select({ trainingId: trainingEvent.trainingId })
    .from(trainingEvent)
    .where(sql`${trainingEvent.happening} @> ${seated}::jsonb`)
}

/** Those of them who sit in a training, or did; null where there is none by that id. Nothing of it is read besides. */
export async function seatedAmong(
  transaction: AcademyTransaction,
  trainingId: string,
  personIds: readonly string[],
): Promise<Set<string> | null> {
  const { rows } = await transaction.execute<{ person_id: string | null }>(sql`
    select asked.person_id from (select 1 from training_event where training_id = ${trainingId} limit 1) there
    left join (
      select person_id from unnest(${sql.param(personIds)}::uuid[]) person_id
      where exists (select from training_event e where e.training_id = ${trainingId} and e.happening @> jsonb_build_object(
        'setup', jsonb_build_object('seats', jsonb_build_array(jsonb_build_object('personId', person_id)))))) asked on true`)
  if (rows.length === 0) return null
  return new Set(rows.flatMap((row) => row.person_id ?? []))
}

/** Everyone who sits, or did, in a training in which somebody does. */
export async function seatedWith(transaction: AcademyTransaction, personId: string): Promise<Set<string>> {
  const rows = await transaction
    .select({ happening: trainingEvent.happening })
    .from(trainingEvent)
    .where(
      and(
        sql`${trainingEvent.kind} in ('started', 'changed')`,
        inArray(trainingEvent.trainingId, trainingsOf(transaction, personId)),
      ),
    )
  return new Set(
    rows.flatMap(({ happening }) =>
      'setup' in happening ? happening.setup.seats.map((seat) => seat.personId) : [],
    ),
  )
}

/** Trainings with all that happened in each, by their first event. */
async function inOrderOfStart(transaction: AcademyTransaction, where: SQL): Promise<Training[]> {
  const rows = await transaction
    .select()
    .from(trainingEvent)
    .where(where)
    .orderBy(asc(trainingEvent.at), asc(trainingEvent.eventId))
  const trainings = new Map<string, Training>()
  for (const row of rows) {
    const known = trainings.get(row.trainingId)
    if (known) known.events.push(toEvent(row))
    else trainings.set(row.trainingId, { trainingId: row.trainingId, events: [toEvent(row)] })
  }
  return [...trainings.values()]
}

export async function findEvent(transaction: AcademyTransaction, eventId: string): Promise<EventRow | null> {
  const [row] = await transaction.select().from(trainingEvent).where(eq(trainingEvent.eventId, eventId))
  return row ?? null
}

export async function insertEvent(transaction: AcademyTransaction, row: EventRow): Promise<void> {
  await transaction.insert(trainingEvent).values(row)
}

function toEvent({ eventId, by, at, happening, afterEventId, sentBy }: EventRow): SentEvent {
  return { eventId, by, at: at.toISOString(), happening, after: afterEventId, sentBy }
}
