import type { Training } from '@calm-apron/contract'
import type { TrainingEvent } from '@calm-apron/core'
import { and, asc, eq, gt, inArray, sql } from 'drizzle-orm'
import type { AcademyTransaction } from '../database/pool.ts'
import { trainingEvent } from '../database/schema/index.ts'

type EventRow = typeof trainingEvent.$inferSelect

/** All that happened in one training, oldest first; empty where there is none by that id. */
export async function eventsOf(
  transaction: AcademyTransaction,
  trainingId: string,
): Promise<TrainingEvent[]> {
  const rows = await transaction
    .select()
    .from(trainingEvent)
    .where(eq(trainingEvent.trainingId, trainingId))
    .orderBy(asc(trainingEvent.at), asc(trainingEvent.eventId))
  return rows.map(toEvent)
}

/** Trainings that were started since an instant, each with all that happened in it. */
export async function trainingsSince(transaction: AcademyTransaction, since: Date): Promise<Training[]> {
  const started = transaction
    .select({ trainingId: trainingEvent.trainingId })
    .from(trainingEvent)
    .where(and(eq(trainingEvent.kind, 'started'), gt(trainingEvent.at, since)))
  const rows = await transaction
    .select()
    .from(trainingEvent)
    .where(inArray(trainingEvent.trainingId, started))
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

/** Sends a few words to every server; those that listen get them once this transaction is committed. */
export async function notifyAll(
  transaction: AcademyTransaction,
  channel: string,
  payload: string,
): Promise<void> {
  await transaction.execute(sql`select pg_notify(${channel}, ${payload})`)
}

function toEvent({ eventId, by, at, happening }: EventRow): TrainingEvent {
  return { eventId, by, at: at.toISOString(), happening }
}
