import { createHash } from 'node:crypto'

/** A digest of a parsed body that does not depend on the order of its keys. */
export function bodyDigest(body: unknown): string {
  return createHash('sha256').update(JSON.stringify(body, sortKeys)).digest('base64url')
}

function sortKeys(_key: string, value: unknown): unknown {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return value
  return Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
}
