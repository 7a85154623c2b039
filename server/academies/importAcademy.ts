import type { AcademyFile } from '@calm-apron/contract'
import type { PgTable } from 'drizzle-orm/pg-core'
import { inAcademy } from '../database/inAcademy.ts'
import type { AcademyTransaction, Database } from '../database/pool.ts'
import {
  academy,
  bag,
  bar,
  coffee,
  grinder,
  person,
  personName,
  recipeRevision,
  shot,
  shotRevision,
  vessel,
} from '../database/schema/index.ts'
import { fromRecipeRevision } from '../recipes/recipeRow.ts'
import { bodyDigest } from '../shots/bodyDigest.ts'
import { toColumns } from '../shots/factsRow.ts'

/** Stores a whole academy in one transaction, as the made-up one if so said; tells false, and changes nothing, when it is there already. */
export async function importAcademy(
  database: Database,
  file: AcademyFile,
  receivedAt: Date,
  isDemo = false,
): Promise<boolean> {
  const { academyId } = file.academy
  const own = <T extends object>(rows: readonly T[]) => rows.map((row) => ({ academyId, ...row }))
  return inAcademy(database, academyId, async (transaction) => {
    const stored = await transaction
      .insert(academy)
      .values({ ...file.academy, isDemo })
      .onConflictDoNothing()
      .returning()
    if (stored.length === 0) return false
    const coffees = file.coffees.map(({ freshness, bags: _bags, ...rest }) => ({ ...rest, ...freshness }))
    const bags = file.coffees.flatMap(({ coffeeId, bags: each }) => each.map((one) => ({ coffeeId, ...one })))
    const bars = file.bars.map(({ grinders: _grinders, vessels: _vessels, ...rest }) => rest)
    const grinders = file.bars.flatMap(({ barId, grinders: each }) => each.map((one) => ({ barId, ...one })))
    const vessels = file.bars.flatMap(({ barId, vessels: each }) =>
      each.map(({ id, ...one }) => ({ barId, vesselId: id, ...one })),
    )
    const insert = insertInto(transaction)
    await insert(person, own(file.people.map(({ personId, role }) => ({ personId, role }))))
    await insert(personName, own(file.people.map(({ personId, displayName }) => ({ personId, displayName }))))
    await insert(
      recipeRevision,
      file.recipes.map((each) => fromRecipeRevision(academyId, each)),
    )
    await insert(coffee, own(coffees))
    await insert(bag, own(bags))
    await insert(bar, own(bars))
    await insert(grinder, own(grinders))
    await insert(vessel, own(vessels))
    await insert(
      shot,
      own(
        file.shots.map(({ facts: _facts, judgedBy: _judgedBy, pulledAt, ...rest }) => ({
          ...rest,
          pulledAt: new Date(pulledAt),
        })),
      ),
    )
    await insert(
      shotRevision,
      own(
        file.shots.map(({ shotId, ...input }) => ({
          revisionId: shotId,
          shotId,
          revisionNo: 1,
          bodyDigest: bodyDigest(input),
          judgedBy: input.judgedBy,
          recordedAt: new Date(input.pulledAt),
          receivedAt,
          ...toColumns(input.facts),
        })),
      ),
    )
    return true
  })
}

/** Inserts rows into a table of the transaction; none is fine. */
function insertInto(transaction: AcademyTransaction) {
  return async <T extends PgTable>(table: T, rows: T['$inferInsert'][]): Promise<void> => {
    if (rows.length > 0) await transaction.insert(table).values(rows)
  }
}
