import { type SQL, sql } from 'drizzle-orm'
import type { AnyPgColumn } from 'drizzle-orm/pg-core'

/**
 * That a column holds one of a list, told as one value: the statement is then the same for lists of any length, and is
 * kept by the database.
 * @param list `sql.param(ids)`, or a placeholder
 */
export function anyOf(column: AnyPgColumn, list: unknown): SQL {
  return sql`${column} = any (${list})`
}
