import { sql } from 'drizzle-orm'
import { v4 as uuidv4 } from 'uuid'
import type { Database } from '../database/pool.ts'
import type { ThrottleRule } from './limits.ts'
import { tokenHash } from './secrets.ts'

type Reach = Pick<Database, 'execute'>

/** Counts a try, on the database's own clock; tells for how many seconds it is held up, 0 when it may go on. */
export async function countAttempt(database: Reach, key: string, rule: ThrottleRule): Promise<number> {
  const tryId = uuidv4()
  const wait = sql`least(${rule.longestWaitS}::float, ${rule.firstWaitS}::float * power(2, least(20, f.n - ${rule.free} - 1)))`
  const forgetAt = sql`clock_timestamp() + ${rule.forgetAfterS}::float * interval '1 second'`
  const { rows } = await database.execute<{ waits: number }>(sql`
    insert into doors.attempt as a (key_hash, failures, last_at, last_try, blocked_until, forget_at)
    values (${tokenHash(key)}, 1, clock_timestamp(), ${tryId}, clock_timestamp(), ${forgetAt})
    on conflict (key_hash) do update set (failures, last_at, last_try, blocked_until, forget_at) = (
      select case when f.held then a.failures else f.n end,
        case when f.held then a.last_at else clock_timestamp() end,
        case when f.held then a.last_try else ${tryId}::uuid end,
        case when f.held then a.blocked_until
          when f.n <= ${rule.free} then clock_timestamp()
          else clock_timestamp() + ${wait} * interval '1 second' end,
        case when f.held then a.forget_at else ${forgetAt} end
      from (select a.blocked_until > clock_timestamp() as held,
        case when a.last_at < clock_timestamp() - ${rule.forgetAfterS}::float * interval '1 second' then 1
          else a.failures + 1 end as n) f)
    returning case when a.last_try = ${tryId}::uuid then 0
      else greatest(0.001, extract(epoch from a.blocked_until - clock_timestamp())) end::float as waits`)
  return rows[0]?.waits ?? 0
}

/** Forgets failed tries: whoever has shown the password since need not wait for them. */
export async function forgetFailures(database: Reach, key: string): Promise<void> {
  await database.execute(sql`delete from doors.attempt where key_hash = ${tokenHash(key)}`)
}

/** Takes one try back, and leaves what others failed at. */
export async function takeOneBack(database: Reach, key: string): Promise<void> {
  await database.execute(
    sql`update doors.attempt set failures = greatest(0, failures - 1), blocked_until = clock_timestamp() where key_hash = ${tokenHash(key)}`,
  )
}

/** Forgets what no rule remembers any more, so that guessing at random names does not fill the table for good. */
export async function sweepAttempts(database: Reach): Promise<void> {
  await database.execute(
    sql`delete from doors.attempt where forget_at < clock_timestamp() and blocked_until < clock_timestamp()`,
  )
}

/** How many tries at this have failed in a row. */
export async function failuresOf(database: Reach, key: string): Promise<number> {
  const { rows } = await database.execute<{ failures: number }>(
    sql`select failures from doors.attempt where key_hash = ${tokenHash(key)}`,
  )
  return rows[0]?.failures ?? 0
}
