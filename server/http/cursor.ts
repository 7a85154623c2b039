import { instant, name } from '@calm-apron/contract'
import { refuseField } from '../refusal.ts'

/** Where a page ended: an instant, and an id among equal instants. Cursors are opaque to callers. */
export interface PageEnd {
  at: string
  id: string
}

const WRITTEN = /^(\d{4}-\d\d-\d\dT[\d:.]+Z)~([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})$/

export function writeCursor({ at, id }: PageEnd): string {
  return Buffer.from(`${at}~${id}`).toString('base64url')
}

/** @throws {Refusal} `invalid-input` for a cursor this server did not write */
export function readCursor(text: string): PageEnd {
  const [, at, id] = WRITTEN.exec(Buffer.from(text, 'base64url').toString()) ?? []
  if (at === undefined || id === undefined || !instant.safeParse(at).success)
    throw refuseField('cursor', 'wrong-format', 'Use the cursor of the page before, as it came.')
  return { at, id }
}

const WRITTEN_NAME = /^([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})~(.+)$/su

/** Where a page of names ended. */
export function writeNameCursor({ nameKey, preparedId }: { nameKey: string; preparedId: string }): string {
  return Buffer.from(`${preparedId}~${nameKey}`).toString('base64url')
}

/** @throws {Refusal} `invalid-input` for a cursor this server did not write */
export function readNameCursor(text: string): { nameKey: string; preparedId: string } {
  const [, preparedId, nameKey] = WRITTEN_NAME.exec(Buffer.from(text, 'base64url').toString()) ?? []
  // A name that holds what no name can hold was not written by us.
  if (preparedId === undefined || nameKey === undefined || !name.safeParse(nameKey).success)
    throw refuseField('cursor', 'wrong-format', 'Use the cursor of the page before, as it came.')
  return { nameKey, preparedId }
}
