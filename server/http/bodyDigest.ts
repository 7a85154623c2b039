import { createHash } from 'node:crypto'

/** Which way of taking a digest a kept one was taken; those of the first release have no mark. */
const MARK = '2:'

/**
 * Fields that bodies got since the first release, and what a body without one of them is read as. A digest of that time
 * was taken of the body as it was read then, without them.
 */
const ADDED_SINCE: Readonly<Record<string, unknown>> = {
  faultShown: null,
  isSimulated: false,
  isFirstCallAsked: null,
  areNotesAsked: null,
  focus: null,
}

/** A digest of JSON that does not depend on the order of its keys. */
export function bodyDigest(body: unknown): string {
  return createHash('sha256').update(JSON.stringify(body, sortKeys)).digest('base64url')
}

/** Of a body as it came: what its schema fills in later on does not change it. */
export function sentDigest(sent: unknown): string {
  return `${MARK}${bodyDigest(sent)}`
}

/** Whether a kept digest is of this body: as it came, or, in the first release, as it was read. */
export function isOfThisBody(kept: string, sent: unknown, read: unknown): boolean {
  if (kept.startsWith(MARK)) return kept === sentDigest(sent)
  return kept === bodyDigest(read) || kept === bodyDigest(withoutAdded(read))
}

function withoutAdded(read: unknown): unknown {
  if (typeof read !== 'object' || read === null || Array.isArray(read)) return read
  return Object.fromEntries(
    Object.entries(read).filter(([key, value]) => !(key in ADDED_SINCE) || ADDED_SINCE[key] !== value),
  )
}

function sortKeys(_key: string, value: unknown): unknown {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return value
  return Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
}
