// Connections refused or broken, too many of them, and statements given up for a lock.
const TRY_AGAIN_LATER =
  /^(ECONN\w+|ETIMEDOUT|EPIPE|ENOTFOUND|EHOSTUNREACH|08\w{3}|57P0[1-3]|53300|55P03|40001|40P01|25P03)$/
const LOST_CONNECTION_MESSAGE =
  /Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error/

/** What a driver's error may carry. Read by its parts, because the query builder wraps it in errors of its own. */
interface ErrorParts {
  code?: unknown
  constraint?: unknown
  message?: unknown
  cause?: unknown
  errors?: unknown
}

function partsOf(error: unknown): ErrorParts | null {
  return typeof error === 'object' ? error : null
}

/** Whether an error, or what caused it, means that the database can't serve just now. */
export function isDatabaseDown(error: unknown): boolean {
  const parts = partsOf(error)
  if (parts === null) return false
  if (typeof parts.code === 'string' && TRY_AGAIN_LATER.test(parts.code)) return true
  if (typeof parts.message === 'string' && LOST_CONNECTION_MESSAGE.test(parts.message)) return true
  // A host with several addresses fails with one error for each.
  if (Array.isArray(parts.errors)) return parts.errors.some(isDatabaseDown)
  return isDatabaseDown(parts.cause)
}

/** Whether a statement was given up because it took too long: the database is there, and asked again would take as long. */
export function tookTooLong(error: unknown): boolean {
  const parts = partsOf(error)
  if (parts === null) return false
  return parts.code === '57014' || tookTooLong(parts.cause)
}

/** Whether a transaction lost against another one and was taken back whole, so that it may simply be done again. */
export function isLostRace(error: unknown): boolean {
  const parts = partsOf(error)
  if (parts === null) return false
  return parts.code === '40P01' || parts.code === '40001' || isLostRace(parts.cause)
}

/** Whether a statement was refused only because one before it in its transaction had failed. */
export function isAfterFailure(error: unknown): boolean {
  const parts = partsOf(error)
  if (parts === null) return false
  return parts.code === '25P02' || isAfterFailure(parts.cause)
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
  const parts = partsOf(error)
  if (parts === null) return null
  if (parts.code === sqlState && typeof parts.constraint === 'string') return parts.constraint
  return brokenConstraint(parts.cause, sqlState)
}
