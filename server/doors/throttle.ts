import { sql } from 'drizzle-orm'
import { v4 as uuidv4 } from 'uuid'
import type { Database } from '../database/pool.ts'
import { Refusal } from '../refusal.ts'
import type { ThrottleRule } from './limits.ts'
import { tokenHash } from './secrets.ts'

/** What a try is aimed at, and by which rule it is counted. */
export interface Aim {
  key: string
  rule: ThrottleRule
}

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
  for (const aim of aims) heldUpS = Math.max(heldUpS, await count(database, aim))
  if (heldUpS > 0) {
    throw new Refusal('slow-down', 'Too many tries. Wait a little, then try again.', [], {
      retryAfterS: Math.ceil(heldUpS),
    })
  }
  const outcome = await attempt()
  if (outcome !== null) await takeBack(database, aims)
  return outcome
}

/** What tries of a person's PIN on a device count against, wherever it is asked for. */
export const pinKey = (deviceHash: string, personId: string): string => `pin ${deviceHash} ${personId}`

/** Forgets failed tries: whoever has shown the password since need not wait for them. */
export async function forgetFailures(database: Pick<Database, 'execute'>, key: string): Promise<void> {
  await database.execute(sql`delete from doors.attempt where key_hash = ${tokenHash(key)}`)
}

/** Counts a try; tells for how many seconds it is held up, 0 when it may go on. */
async function count(database: Database, { key, rule }: Aim): Promise<number> {
  const tryId = uuidv4()
  const wait = sql`least(${rule.longestWaitS}::float, ${rule.firstWaitS}::float * power(2, least(20, f.n - ${rule.free} - 1)))`
  const { rows } = await database.execute<{ waits: number }>(sql`
    insert into doors.attempt as a (key_hash, failures, last_at, last_try, blocked_until)
    values (${tokenHash(key)}, 1, clock_timestamp(), ${tryId}, clock_timestamp())
    on conflict (key_hash) do update set (failures, last_at, last_try, blocked_until) = (
      select case when f.held then a.failures else f.n end,
        case when f.held then a.last_at else clock_timestamp() end,
        case when f.held then a.last_try else ${tryId}::uuid end,
        case when f.held then a.blocked_until
          when f.n <= ${rule.free} then clock_timestamp()
          else clock_timestamp() + ${wait} * interval '1 second' end
      from (select a.blocked_until > clock_timestamp() as held,
        case when a.last_at < clock_timestamp() - ${rule.forgetAfterS}::float * interval '1 second' then 1
          else a.failures + 1 end as n) f)
    returning case when a.last_try = ${tryId}::uuid then 0
      else greatest(0.001, extract(epoch from a.blocked_until - clock_timestamp())) end::float as waits`)
  return rows[0]?.waits ?? 0
}

/** What was aimed at one account is forgotten; an address keeps what others failed at from it. */
async function takeBack(database: Database, aims: readonly Aim[]): Promise<void> {
  for (const { key } of aims) {
    if (key.startsWith('address ')) await takeOneBack(database, key)
    else await forgetFailures(database, key)
  }
}

async function takeOneBack(database: Database, key: string): Promise<void> {
  await database.execute(
    sql`update doors.attempt set failures = greatest(0, failures - 1), blocked_until = clock_timestamp() where key_hash = ${tokenHash(key)}`,
  )
}

/** How many tries at this have failed in a row. */
export async function failuresOf(database: Database, key: string): Promise<number> {
  const { rows } = await database.execute<{ failures: number }>(
    sql`select failures from doors.attempt where key_hash = ${tokenHash(key)}`,
  )
  return rows[0]?.failures ?? 0
}
