import { type LiveMessage, liveMessage } from '@calm-apron/contract'
import pg from 'pg'
import { z } from 'zod'
import type { AcademyTransaction } from '../database/pool.ts'
import { notifyAll } from './queries.ts'

const CHANNEL = 'calm_apron_live'
/** How long to wait before listening again, once the line to the database broke. */
const AGAIN_MS = 1000

const passed = z.strictObject({ academyId: z.string(), trainingId: z.string(), message: liveMessage })

/**
 * Tells every tablet that follows a training, at whichever server. A message carries ids, and of a stage its few
 * numbers; whoever wants more asks, and is told what they may see.
 */
export async function tellLive(
  transaction: AcademyTransaction,
  academyId: string,
  trainingId: string,
  message: LiveMessage,
): Promise<void> {
  await notifyAll(transaction, CHANNEL, JSON.stringify({ academyId, trainingId, message }))
}

/** Someone who follows: what is told them, and that nothing more will be. */
export interface Follower {
  hear: (message: LiveMessage) => void
  end: () => void
}

/** Those who follow trainings at this server, over one line to the database that all of them share. */
export interface LiveHub {
  follow: (academyId: string, trainingId: string, follower: Follower) => () => void
  /** Resolves once the line stands: what is told from then on is heard. */
  standing: () => Promise<void>
  close: () => Promise<void>
}

/** Opens the line when the first one follows; a broken one is opened again. `onTrouble` hears why it broke. */
export function liveHub(databaseUrl: string, onTrouble: (error: unknown) => void): LiveHub {
  const followers = new Map<string, Set<Follower>>()
  let client: pg.Client | null = null
  let again: ReturnType<typeof setTimeout> | undefined
  let isClosed = false
  let line = awaited()

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
    } catch (error) {
      lose(opened, error)
    }
  }

  function lose(lost: pg.Client, error: unknown): void {
    if (client !== lost) return
    client = null
    line = awaited()
    if (isClosed) return
    if (error !== null) onTrouble(error)
    clearTimeout(again)
    again = setTimeout(() => void listen(), AGAIN_MS)
  }

  function spread(payload: string): void {
    const heard = passed.safeParse(JSON.parse(payload))
    if (!heard.success) {
      onTrouble(heard.error)
      return
    }
    const { academyId, trainingId, message } = heard.data
    for (const { hear } of followers.get(keyOf(academyId, trainingId)) ?? []) hear(message)
  }

  function follow(academyId: string, trainingId: string, follower: Follower): () => void {
    const key = keyOf(academyId, trainingId)
    const here = followers.get(key) ?? new Set()
    followers.set(key, here.add(follower))
    void listen()
    return () => {
      here.delete(follower)
      if (here.size === 0) followers.delete(key)
    }
  }

  async function close(): Promise<void> {
    isClosed = true
    line.stands()
    clearTimeout(again)
    for (const here of followers.values()) for (const { end } of here) end()
    await client?.end()
  }

  return { follow, standing: () => line.standing, close }
}

/** A line that is not there yet. */
function awaited(): { standing: Promise<void>; stands: () => void } {
  let stands: () => void = () => undefined
  const standing = new Promise<void>((resolve) => (stands = resolve))
  return { standing, stands }
}

function keyOf(academyId: string, trainingId: string): string {
  return `${academyId} ${trainingId}`
}
