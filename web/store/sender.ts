import { ENDPOINTS, type Problem } from '@calm-apron/contract'
import { RefusedByServer, ServerUnreachable, call } from '../api/client.ts'
import type { DeviceDatabase, UnsentWrite } from './deviceDatabase.ts'

export type SendOutcome = { sent: true } | { sent: false; refused: Problem } | { sent: false; refused: null }

/** Sends one write; a refusal is an outcome, an unreachable server is one too. */
export async function sendWrite(write: UnsentWrite): Promise<SendOutcome> {
  try {
    if (write.kind === 'shot') {
      await call(ENDPOINTS.putShot, { params: { shotId: write.shotId }, body: write.body })
    } else {
      const { shotId, revisionId, body } = write
      await call(ENDPOINTS.putCorrection, { params: { shotId, revisionId }, body })
    }
    return { sent: true }
  } catch (error) {
    // Signed out meanwhile: it waits until its author is here again.
    if (error instanceof RefusedByServer && error.problem.code !== 'not-signed-in')
      return { sent: false, refused: error.problem }
    if (error instanceof RefusedByServer || error instanceof ServerUnreachable)
      return { sent: false, refused: null }
    throw error
  }
}

/**
 * Sends what waits, oldest first, until all is sent or the server can't be reached. A refused write is set aside
 * with the server's reason and does not hold up the others, nor does one whose author is not here. Tells whether the
 * server was reached throughout.
 */
export async function sendWaiting(
  database: DeviceDatabase,
  isAuthorHere: (personId: string) => boolean,
  send: (write: UnsentWrite) => Promise<SendOutcome> = sendWrite,
): Promise<boolean> {
  for (const write of await database.getAll('outbox')) {
    if (write.refused !== null || write.order === undefined || !isAuthorHere(write.body.judgedBy)) continue
    const outcome = await send(write)
    if (outcome.sent) await database.delete('outbox', write.order)
    else if (outcome.refused !== null) await database.put('outbox', { ...write, refused: outcome.refused })
    else return false
  }
  return true
}

const FIRST_WAIT_MS = 1000
const LONGEST_WAIT_MS = 30_000

/** How long to wait before the next try after so many failures in a row: 1, 2, 4 … at most 30 s. */
export function backOffMs(failures: number): number {
  return Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** Math.max(0, failures - 1))
}
