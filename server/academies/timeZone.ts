import { sql } from 'drizzle-orm'
import type { AcademyTransaction } from '../database/pool.ts'
import { refuseField } from '../refusal.ts'

/**
 * Days begin where the academy is, which the database works out: a zone that only the browser knows won't do.
 * @throws {Refusal} `invalid-input` at `path`
 */
export async function refuseUnknownZone(
  transaction: AcademyTransaction,
  timeZone: string,
  path: string,
): Promise<void> {
  const { rows } = await transaction.execute<{ is_known: boolean }>(
    sql`select exists (select from pg_timezone_names where lower(name) = lower(${timeZone})) as is_known`,
  )
  if (!rows[0]?.is_known) throw refuseField(path, 'unknown-zone', 'Use a time zone such as Atlantic/Azores.')
}
