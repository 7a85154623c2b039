import { type SQL, sql } from 'drizzle-orm'

/**
 * A number of our own as it stands in the statement. What is given as a value is not known when the database plans a statement
 * to keep; of how many rows are wanted at most it would then think of a tenth of all, and plan anew for every request.
 */
export function literally(count: number): SQL {
  if (!Number.isSafeInteger(count)) throw new Error('Only whole numbers stand in a statement.')
  return sql.raw(String(count))
}
