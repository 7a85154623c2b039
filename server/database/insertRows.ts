import { getTableColumns, getTableName, sql } from 'drizzle-orm'
import type { PgTable } from 'drizzle-orm/pg-core'
import type { AcademyTransaction } from './pool.ts'

/** A portion is one value to the database, whatever number of rows and columns it has. */
const ROWS_AT_ONCE = 1000

/**
 * Inserts many rows in portions, each told as one value: to build a statement of a value for every field would take
 * several times as long as to insert them. Fields that no row of them has keep their defaults. None is fine.
 */
export async function insertRows<T extends PgTable>(
  transaction: AcademyTransaction,
  table: T,
  rows: readonly T['$inferInsert'][],
): Promise<void> {
  const columns = Object.entries(getTableColumns(table))
  for (let from = 0; from < rows.length; from += ROWS_AT_ONCE) {
    const portion = rows.slice(from, from + ROWS_AT_ONCE)
    const given = columns.filter(([field]) => portion.some((row) => valueOf(row, field) !== undefined))
    const named = sql.join(
      given.map(([, { name }]) => sql.identifier(name)),
      sql`, `,
    )
    const told = portion.map((row) =>
      Object.fromEntries(given.map(([field, { name }]) => [name, valueOf(row, field)])),
    )
    await transaction.execute(sql`
      insert into ${table} (${named})
      select ${named} from jsonb_populate_recordset(null::${sql.identifier(getTableName(table))}, ${JSON.stringify(told)}::jsonb)`)
  }
}

function valueOf(row: object, field: string): unknown {
  return Object.getOwnPropertyDescriptor(row, field)?.value
}
