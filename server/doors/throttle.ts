import type { Database } from '../database/pool.ts'
import { Refusal } from '../refusal.ts'
import { countAttempt, forgetFailures, takeOneBack } from './attemptQueries.ts'
import type { ThrottleRule } from './limits.ts'

/** What a try is aimed at, and by which rule it is counted. */
export interface Aim {
  key: string
  rule: ThrottleRule
}

/** What tries of a person's PIN on a device count against, wherever it is asked for. */
export const pinKey = (deviceHash: string, personId: string): string => `pin ${deviceHash} ${personId}`

/**
 * Runs `attempt` unless one of its aims is being held up. It counts as failed before it is made, so that tries at once
 * can't slip through together; when it holds, its count is taken back. Counting commits by itself, on the database's
 * own clock, so that it outlives the refusal and several servers share it.
 * @throws {Refusal} `slow-down` when held up
 */
export async function throttled<T>(
  database: Database,
  aims: readonly Aim[],
  attempt: () => Promise<T | null>,
): Promise<T | null> {
  let heldUpS = 0
  for (const { key, rule } of aims) heldUpS = Math.max(heldUpS, await countAttempt(database, key, rule))
  if (heldUpS > 0) {
    throw new Refusal('slow-down', 'Too many tries. Wait a little, then try again.', [], {
      retryAfterS: Math.ceil(heldUpS),
    })
  }
  const outcome = await attempt()
  if (outcome !== null) await takeBack(database, aims)
  return outcome
}

/** What was aimed at one account is forgotten; an address keeps what others failed at from it. */
async function takeBack(database: Database, aims: readonly Aim[]): Promise<void> {
  for (const { key } of aims) {
    if (key.startsWith('address ')) await takeOneBack(database, key)
    else await forgetFailures(database, key)
  }
}
