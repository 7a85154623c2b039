import { Refusal } from '../refusal.ts'

/** Where a page ended. Cursors are opaque to callers. */
export interface ShotCursor {
  pulledAt: string
  shotId: string
}

const WRITTEN = /^(\d{4}-\d\d-\d\dT[\d:.]+Z)~([0-9a-f-]{36})$/

export function writeCursor({ pulledAt, shotId }: ShotCursor): string {
  return Buffer.from(`${pulledAt}~${shotId}`).toString('base64url')
}

/** @throws {Refusal} `invalid-input` for a cursor this server did not write */
export function readCursor(text: string): ShotCursor {
  const [, pulledAt, shotId] = WRITTEN.exec(Buffer.from(text, 'base64url').toString()) ?? []
  if (pulledAt === undefined || shotId === undefined || Number.isNaN(Date.parse(pulledAt))) {
    const errors = [
      { path: 'cursor', reason: 'wrong-format', message: 'Use the cursor of the page before, as it came.' },
    ]
    throw new Refusal('invalid-input', 'One field needs mending.', errors)
  }
  return { pulledAt, shotId }
}
