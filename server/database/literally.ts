import { type SQL, sql } from 'drizzle-orm'

/**
 * A number or a word of our own as it stands in the statement. What is given as a value is not known when the database plans a
 * statement to keep; of how many rows are wanted at most it would then think of a tenth of all, and plan anew for every request.
 */
export function literally(own: number | string): SQL {
  if (Number.isSafeInteger(own)) return sql.raw(String(own))
  if (typeof own === 'string' && /^[a-z-]+$/.test(own)) return sql.raw(`'${own}'`)
  throw new Error('Only whole numbers and plain words stand in a statement.')
}
