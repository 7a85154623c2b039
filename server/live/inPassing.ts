import type pg from 'pg'
import { Refusal } from '../refusal.ts'
import { CHANNEL, type PassedOn } from './hub.ts'

/** So much may wait to be told; beyond it the database is not to be had. */
const MOST_WAITING = 2000

interface Waiting {
  payload: string
  told: () => void
  failed: (why: unknown) => void
}

/** Tells what nothing is kept of; resolves once every server was told. */
export type TellInPassing = (passed: PassedOn) => Promise<void>

// Nothing is kept that a power cut could take, so nobody is made to wait for the disk.
const NOTIFY = {
  name: 'tell-in-passing',
  text: `select set_config('synchronous_commit', 'off', true), pg_notify($1, payload) from unnest($2::text[]) payload`,
}

/**
 * What comes while the last is still being told is told together, in the order in which it came: sixty tablets that tell how
 * far a shot has come are a handful of statements then, and no transaction each.
 */
export function tellInPassing(pool: Pick<pg.Pool, 'query'>): TellInPassing {
  let waiting: Waiting[] = []
  let isTelling = false

  async function tellAll(): Promise<void> {
    isTelling = true
    while (waiting.length > 0) {
      const now = waiting
      waiting = []
      await pool.query({ ...NOTIFY, values: [CHANNEL, now.map(({ payload }) => payload)] }).then(
        () => now.forEach(({ told }) => told()),
        (why: unknown) => now.forEach(({ failed }) => failed(why)),
      )
    }
    isTelling = false
  }

  return async (passed) => {
    if (waiting.length >= MOST_WAITING)
      throw new Refusal('overloaded', 'There is too much to do at once. Try again in a moment.')
    const isTold = new Promise<void>((told, failed) =>
      waiting.push({ payload: JSON.stringify(passed), told, failed }),
    )
    if (!isTelling) void tellAll()
    return isTold
  }
}
