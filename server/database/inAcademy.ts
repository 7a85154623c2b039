import { sql } from 'drizzle-orm'
import { isLostRace } from './errors.ts'
import type { AcademyTransaction, Database } from './pool.ts'

/** What a door is known by before its academy is: the hash of a secret, a sign-in name, or nothing for the demo. */
export type Door = 'session' | 'sign-in' | 'invitation' | 'device' | 'demo'

// No academy has it, so a transaction that names it sees nothing, and takes as long as any other.
const NOBODYS_ACADEMY = '00000000-0000-0000-0000-000000000000'

/** Runs `work` in one transaction that sees one academy only. */
export async function inAcademy<T>(
  database: Database,
  academyId: string,
  work: (transaction: AcademyTransaction) => Promise<T>,
): Promise<T> {
  return inTransaction(database, async (transaction) => {
    await transaction.execute(sql`select set_config('calm_apron.academy_id', ${academyId}, true)`)
    return work(transaction)
  })
}

/**
 * Runs `work` in one transaction that sees only the academy behind a door. Behind a door that is none it sees an empty
 * one, so that the caller answers both alike.
 */
export async function behindDoor<T>(
  database: Database,
  door: Door,
  key: string,
  work: (transaction: AcademyTransaction, academyId: string) => Promise<T>,
): Promise<T> {
  return inTransaction(database, async (transaction) => {
    const { rows } = await transaction.execute<{ academy_id: string }>(
      sql`select set_config('calm_apron.academy_id', coalesce(academy_behind(${door}, ${key})::text, ${NOBODYS_ACADEMY}), true) as academy_id`,
    )
    return work(transaction, rows[0]?.academy_id ?? NOBODYS_ACADEMY)
  })
}

const TRIES = 3

/** One transaction; where two wait for each other the one that was given up is done again. */
async function inTransaction<T>(
  database: Database,
  work: (transaction: AcademyTransaction) => Promise<T>,
): Promise<T> {
  for (let attempt = 1; ; attempt += 1) {
    try {
      return await database.transaction(work)
    } catch (error) {
      if (attempt >= TRIES || !isLostRace(error)) throw error
    }
  }
}
