import type { Academy } from '@calm-apron/contract'
import type { AcademyTransaction } from '../database/pool.ts'
import { academy } from '../database/schema/index.ts'
import { Refusal } from '../refusal.ts'

/**
 * The academy this transaction has named.
 * @throws {Refusal} `not-found` when it named none
 */
export async function findAcademy(transaction: AcademyTransaction): Promise<Academy> {
  const [row] = await transaction
    .select({
      academyId: academy.academyId,
      name: academy.name,
      town: academy.town,
      timeZone: academy.timeZone,
    })
    .from(academy)
  if (!row) throw new Refusal('not-found', 'There is no such academy.')
  return row
}
