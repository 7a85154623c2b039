import { sql } from 'drizzle-orm'
import type { Database } from '../database/pool.ts'
import { setUpCode } from '../database/schema/index.ts'
import { DOOR_LIMITS } from './limits.ts'

type Reach = Pick<Database, 'execute' | 'insert' | 'delete'>

// Any fixed number will do; of two set-ups at once the second must find the first one's academy.
const SET_UP_LOCK = 4_180_003

/** Whether an academy of someone's own is here. */
export async function isSetUp(database: Reach): Promise<boolean> {
  const { rows } = await database.execute<{ is_set_up: boolean }>(sql`select is_set_up()`)
  return rows[0]?.is_set_up ?? false
}

/** Waits until no other set-up is under way, for as long as the transaction lasts. */
export async function waitForOtherSetUps(transaction: Reach): Promise<void> {
  await transaction.execute(sql`select pg_advisory_xact_lock(${SET_UP_LOCK})`)
}

export async function insertSetUpCode(database: Reach, codeHash: string): Promise<void> {
  const expiresAt = sql`clock_timestamp() + ${DOOR_LIMITS.setUpCodeDays} * interval '1 day'`
  await database.insert(setUpCode).values({ codeHash, expiresAt })
}

export async function isSetUpCode(database: Reach, codeHash: string): Promise<boolean> {
  const { rows } = await database.execute(
    sql`select from doors.set_up_code where code_hash = ${codeHash} and expires_at > clock_timestamp()`,
  )
  return rows.length === 1
}

/** Once the house is taken no code is worth anything. */
export async function removeSetUpCodes(transaction: Reach): Promise<void> {
  await transaction.delete(setUpCode)
}
