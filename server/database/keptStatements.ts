import type pg from 'pg'

/** So many different statements are kept; the app has fewer, and what is made up of a request's parts could be more. */
const MOST_KEPT = 500

const names = new Map<string, string>()

/**
 * Lets a connection keep every statement of the query builder, and any with values, under a name, so that the database parses
 * and plans it once and not for every request. What the driver is given else passes through as it is.
 */
export function keepStatements(client: pg.ClientBase): void {
  const query = client.query.bind(client)
  const kept = (asked: unknown, ...rest: unknown[]): unknown =>
    Reflect.apply(query, client, [named(asked, rest), ...rest])
  // The driver's many ways to be asked all go the way they came.
  Object.assign(client, { query: kept })
}

function named(asked: unknown, [values]: readonly unknown[]): unknown {
  if (!Array.isArray(values)) return asked
  if (typeof asked === 'string') return values.length === 0 ? asked : { text: asked, name: keptName(asked) }
  if (typeof asked !== 'object' || asked === null || 'submit' in asked) return asked
  return 'text' in asked && typeof asked.text === 'string' ? { ...asked, name: keptName(asked.text) } : asked
}

/** The name a statement is kept under, the same at all connections; none once there are too many. */
export function keptName(text: string): string | undefined {
  const known = names.get(text)
  if (known !== undefined) return known
  if (names.size >= MOST_KEPT) return undefined
  const name = `kept_${names.size}`
  names.set(text, name)
  return name
}
