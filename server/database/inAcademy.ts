import { sql } from 'drizzle-orm'
import { Refusal } from '../refusal.ts'
import type { AcademyTransaction, Database } from './pool.ts'

const NO_ACADEMY =
  'There is no academy in this database yet. Load one with the import command, or start with the demo.'

/** Runs `work` in one transaction that sees one academy only. */
export async function inAcademy<T>(
  database: Database,
  academyId: string,
  work: (transaction: AcademyTransaction) => Promise<T>,
): Promise<T> {
  return database.transaction(async (transaction) => {
    await transaction.execute(sql`select set_config('calm_apron.academy_id', ${academyId}, true)`)
    return work(transaction)
  })
}

/**
 * Runs `work` in the only academy there is.
 * @throws {Refusal} `not-found` when the database holds none, or several
 */
export async function inTheAcademy<T>(
  database: Database,
  work: (transaction: AcademyTransaction, academyId: string) => Promise<T>,
): Promise<T> {
  return database.transaction(async (transaction) => {
    const { rows } = await transaction.execute<{ academy_id: string }>(
      sql`select set_config('calm_apron.academy_id', coalesce(only_academy_id()::text, ''), true) as academy_id`,
    )
    const academyId = rows[0]?.academy_id ?? ''
    if (academyId === '') throw new Refusal('not-found', NO_ACADEMY)
    return work(transaction, academyId)
  })
}
