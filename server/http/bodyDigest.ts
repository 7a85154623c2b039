import { createHash } from 'node:crypto'
import { noNotes } from '@calm-apron/core'

/** Which way of taking a digest a kept one was taken; those of the first release have no mark. */
const MARK = '2:'

/** What the first release noted of a shot: what was added to its notes since is left out where nothing is known of it. */
const FIRST_NOTES: ReadonlySet<string> = new Set([
  'doseMethod',
  'distributions',
  'clumps',
  'spilt',
  'beansInG',
  'lowDose',
  'posture',
  'twisted',
  'rimWiped',
  'lockedFirmly',
  'lockToStartS',
  'marks',
  'weightAtStopG',
  'cupsG',
  'predicted',
  'signs',
  'stepsDone',
  'selfRating',
])
const NOTES_SINCE = Object.entries(noNotes())
  .filter(([name]) => !FIRST_NOTES.has(name))
  .map(([name, nothing]): [string, unknown] => [`facts.noted.${name}`, nothing])

/**
 * Fields that bodies got since the first release, by their paths, and what a body without one of them is read as. A digest
 * of that time was taken of the body as it was read then, without them.
 */
const ADDED_SINCE: ReadonlyMap<string, unknown> = new Map<string, unknown>([
  ['faultShown', null],
  ['isSimulated', false],
  ['isFirstCallAsked', null],
  ['areNotesAsked', null],
  ['focus', null],
  ['content.coffeeId', null],
  ['content.method.mayExceedBasket', false],
  ['content.setC', null],
  ['content.groups.*.buttons.*.ml', null],
  ['content.overWeighG', null],
  ['content.portions.*.settingAt', null],
  ['content.isForEspresso', null],
  ['content.batch.packetLitres', null],
  ['content.lowDoseRule', 'discard'],
  ...NOTES_SINCE,
])

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

function withoutAdded(read: unknown, path = ''): unknown {
  if (Array.isArray(read)) return read.map((each) => withoutAdded(each, `${path}.*`))
  if (typeof read !== 'object' || read === null) return read
  const kept = Object.entries(read).flatMap(([key, value]): [string, unknown][] => {
    const at = path === '' ? key : `${path}.${key}`
    return isAdded(at, value) ? [] : [[key, withoutAdded(value, at)]]
  })
  return Object.fromEntries(kept)
}

/** A change of a prepared thing has it under a key of its own. */
function isAdded(path: string, value: unknown): boolean {
  const at = path.replace(/^thing\./, '')
  return ADDED_SINCE.has(at) && bodyDigest(ADDED_SINCE.get(at)) === bodyDigest(value)
}

function sortKeys(_key: string, value: unknown): unknown {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return value
  return Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
}
