import { type LiveNews, liveNews } from '@calm-apron/contract'
import { sql } from 'drizzle-orm'
import pg from 'pg'
import { z } from 'zod'
import type { AcademyTransaction } from '../database/pool.ts'
import { LATELY_MS, lately } from './lately.ts'

/** On which servers tell one another. */
export const CHANNEL = 'calm_apron_live'
/** How long to wait before listening again, once the line to the database broke. */
const AGAIN_MS = 1000

/** A piece of news as it passes between servers: where it is known and whose it is, by which it is told who hears it. */
const passedOn = z.strictObject({
  academyId: z.string(),
  /** Whom it is about, where it is about somebody. */
  personId: z.string().nullable(),
  /** Beside what is said: that somebody was signed out, or holds a tablet that is not theirs. */
  news: z.union([liveNews, z.strictObject({ kind: z.literal('doors') })]),
})
export type PassedOn = z.infer<typeof passedOn>

/**
 * Tells every tablet that follows, at whichever server, once the transaction is through. Told twice in one transaction
 * it is heard once.
 */
export async function tellLive(
  transaction: AcademyTransaction,
  academyId: string,
  news: LiveNews,
  personId: string | null = null,
): Promise<void> {
  const payload: PassedOn = { academyId, personId, news }
  await transaction.execute(sql`select pg_notify(${CHANNEL}, ${JSON.stringify(payload)})`).execute()
}

/** Tells every line of this transaction's academy to ask anew who follows it: a session ended, or changed hands. */
export async function tellDoors(transaction: AcademyTransaction): Promise<void> {
  await transaction.execute(sql`select pg_notify(${CHANNEL}, json_build_object(
    'academyId', current_setting('calm_apron.academy_id'), 'personId', null, 'news', json_build_object('kind', 'doors'))::text)`)
}

/** Someone who follows: what is told them, and that nothing more will be. */
export interface Follower {
  hear: (passed: PassedOn) => void
  end: () => void
}

/** Those who follow at this server, over one line to the database that all of them share. */
export interface LiveHub {
  follow: (academyId: string, follower: Follower) => () => void
  /** What was told in this academy in the last seconds, the last of each thing; null where that is not known, or very much. */
  lately: (academyId: string) => PassedOn[] | null
  /** Resolves once the line stands: what is told from then on is heard. */
  standing: () => Promise<void>
  close: () => Promise<void>
}

/** Opens the line when the first one follows; a broken one is opened again. `onTrouble` hears why it broke. */
export function liveHub(
  databaseUrl: string,
  onTrouble: (error: unknown) => void,
  clockMs = () => performance.now(),
): LiveHub {
  const followers = new Map<string, Set<Follower>>()
  let client: pg.Client | null = null
  let again: ReturnType<typeof setTimeout> | undefined
  let isClosed = false
  let wasLost = false
  let line = awaited()
  const late = lately()
  let heardSinceMs = Infinity

  async function listen(): Promise<void> {
    if (client !== null || isClosed) return
    const opened = new pg.Client({ connectionString: databaseUrl })
    client = opened
    opened.on('error', (error) => lose(opened, error))
    opened.on('end', () => lose(opened, null))
    opened.on('notification', ({ payload = '' }) => spread(payload))
    try {
      await opened.connect()
      await opened.query(`listen ${CHANNEL}`)
      line.stands()
      heardSinceMs = clockMs()
      if (wasLost) tellOfGap()
    } catch (error) {
      lose(opened, error)
    }
  }

  function lose(lost: pg.Client, error: unknown): void {
    if (client !== lost) return
    client = null
    wasLost = true
    heardSinceMs = Infinity
    late.clear()
    line = awaited()
    if (isClosed) return
    if (error !== null) onTrouble(error)
    clearTimeout(again)
    again = setTimeout(() => void listen(), AGAIN_MS)
    again.unref()
  }

  /** What was told while nobody listened was heard by nobody. */
  function tellOfGap(): void {
    wasLost = false
    for (const [academyId, here] of followers)
      for (const { hear } of here) hear({ academyId, personId: null, news: { kind: 'here' } })
  }

  function spread(payload: string): void {
    const heard = passedOn.safeParse(JSON.parse(payload))
    if (!heard.success) {
      onTrouble(heard.error)
      return
    }
    late.note(heard.data, clockMs())
    for (const { hear } of followers.get(heard.data.academyId) ?? []) hear(heard.data)
  }

  function follow(academyId: string, follower: Follower): () => void {
    // Whoever comes while the server stops would keep it.
    if (isClosed) {
      follower.end()
      return () => undefined
    }
    const here = followers.get(academyId) ?? new Set()
    followers.set(academyId, here.add(follower))
    void listen()
    return () => {
      here.delete(follower)
      if (here.size === 0) followers.delete(academyId)
    }
  }

  async function close(): Promise<void> {
    isClosed = true
    line.stands()
    clearTimeout(again)
    for (const here of followers.values()) for (const { end } of here) end()
    await client?.end()
  }

  function toldLately(academyId: string): PassedOn[] | null {
    const nowMs = clockMs()
    return nowMs - heardSinceMs < LATELY_MS ? null : late.since(academyId, nowMs)
  }

  return { follow, lately: toldLately, standing: () => line.standing, close }
}

/** A line that is not there yet. */
function awaited(): { standing: Promise<void>; stands: () => void } {
  let stands: () => void = () => undefined
  const standing = new Promise<void>((resolve) => (stands = resolve))
  return { standing, stands }
}
