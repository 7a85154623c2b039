import { createTestDatabase } from '@calm-apron/scripts/testing'
import { inAcademy } from '../database/inAcademy.ts'
import { type AcademyTransaction, databaseOver, openPool } from '../database/pool.ts'
import { DEMO } from './serve.ts'

/** The demo's database, for what is asked of it without a server. */
export async function demoDatabase() {
  const database = await createTestDatabase('demo')
  const pool = openPool(database.appUrl, () => undefined)
  const reach = databaseOver(pool)
  return {
    pool,
    inDemo: <T>(work: (transaction: AcademyTransaction) => Promise<T>) =>
      inAcademy(reach, DEMO.academy.academyId, work),
    remove: async () => {
      await pool.end()
      await database.remove()
    },
  }
}
