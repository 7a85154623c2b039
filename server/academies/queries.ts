import type { Academy, AcademyRecord } from '@calm-apron/contract'
import { eq } from 'drizzle-orm'
import { keptQuery } from '../database/keptQuery.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { academy } from '../database/schema/index.ts'
import { Refusal } from '../refusal.ts'

/**
 * The academy this transaction has named.
 * @throws {Refusal} `not-found` when it named none
 */
export async function findAcademy(transaction: AcademyTransaction): Promise<Academy> {
  const { isDemo: _isDemo, revisionNo: _revisionNo, ...rest } = await findAcademyRecord(transaction)
  return rest
}

/**
 * The academy this transaction has named, with what it takes to change it.
 * @throws {Refusal} `not-found` when it named none
 */
export async function findAcademyRecord(transaction: AcademyTransaction): Promise<AcademyRecord> {
  const [row] = await academyHere(transaction, {})
  if (!row) throw new Refusal('not-found', 'There is no such academy.')
  return row
}

const academyHere = keptQuery((builder) =>
  builder
    .select({
      academyId: academy.academyId,
      name: academy.name,
      town: academy.town,
      timeZone: academy.timeZone,
      clockHabit: academy.clockHabit,
      isDemo: academy.isDemo,
      revisionNo: academy.revisionNo,
    })
    .from(academy),
)

/** Changes the academy from one revision to the next; false when another change came first. */
export async function updateAcademy(
  transaction: AcademyTransaction,
  basedOnNo: number,
  set: Pick<Academy, 'name' | 'town' | 'timeZone' | 'clockHabit'>,
): Promise<boolean> {
  const changed = await transaction
    .update(academy)
    .set({ ...set, revisionNo: basedOnNo + 1 })
    .where(eq(academy.revisionNo, basedOnNo))
    .returning({ academyId: academy.academyId })
  return changed.length === 1
}
