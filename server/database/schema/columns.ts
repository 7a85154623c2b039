import { type SQL, sql } from 'drizzle-orm'
import { type AnyPgColumn, numeric, timestamp, uuid } from 'drizzle-orm/pg-core'

/** The tenant; it leads every key and index. */
export const academyId = () => uuid('academy_id').notNull()

/** Exact decimals, so that a weight comes back as it was read off the scale. */
export const measured = (name: string) => numeric(name, { mode: 'number' })

export const instant = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })

/** A check that a text column holds one of a closed list (or null). */
export function oneOf(column: AnyPgColumn, values: readonly string[]): SQL {
  return sql`${column} in (${sql.raw(values.map((value) => `'${value}'`).join(', '))})`
}

/** A check that a number column lies between bounds (or is null). */
export function between(
  column: AnyPgColumn,
  { min, max }: { readonly min: number; readonly max: number },
): SQL {
  return sql`${column} between ${sql.raw(String(min))} and ${sql.raw(String(max))}`
}
