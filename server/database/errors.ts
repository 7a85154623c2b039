const LOST_CONNECTION = /^(ECONN\w+|ETIMEDOUT|EPIPE|ENOTFOUND|EHOSTUNREACH|08\w{3}|57P0[1-3]|53300)$/
const LOST_CONNECTION_MESSAGE =
  /Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error/

/** Whether an error, or what caused it, means that the database can't be reached just now. */
export function isDatabaseDown(error: unknown): boolean {
  if (!(error instanceof Error)) return false
  const code = 'code' in error ? String(error.code) : ''
  if (LOST_CONNECTION.test(code) || LOST_CONNECTION_MESSAGE.test(error.message)) return true
  if (error instanceof AggregateError) return error.errors.some(isDatabaseDown)
  return isDatabaseDown(error.cause)
}

/** The name of the foreign key that a write broke, or null when the error is another. */
export function brokenForeignKey(error: unknown): string | null {
  return brokenConstraint(error, '23503')
}

/** The name of the unique key that a write broke, or null when the error is another. */
export function brokenUniqueKey(error: unknown): string | null {
  return brokenConstraint(error, '23505')
}

function brokenConstraint(error: unknown, sqlState: string): string | null {
  if (!(error instanceof Error)) return null
  if ('code' in error && error.code === sqlState && 'constraint' in error) return String(error.constraint)
  return brokenConstraint(error.cause, sqlState)
}
