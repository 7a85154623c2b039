import { ENDPOINTS, type Problem } from '@calm-apron/contract'
import { call } from '../api/client.ts'
import { RefusedByServer, ServerUnreachable } from '../../kit/failures.ts'
import type { UnsentWrite, Write } from '../device/deviceDatabase.ts'
import type { Settled } from './writeShelf.ts'

export type SendOutcome = { sent: true } | { sent: false; refused: Problem } | { sent: false; refused: null }

/** Sends one write; a refusal is an outcome, an unreachable server is one too. */
export async function sendWrite(write: UnsentWrite): Promise<SendOutcome> {
  try {
    await put(write)
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

async function put(write: Write): Promise<unknown> {
  switch (write.kind) {
    case 'shot':
      return call(ENDPOINTS.putShot, { params: { shotId: write.shotId }, body: write.body })
    case 'correction': {
      const { shotId, revisionId, body } = write
      return call(ENDPOINTS.putCorrection, { params: { shotId, revisionId }, body })
    }
    case 'call':
      return call(ENDPOINTS.putCall, {
        params: { shotId: write.shotId, callId: write.callId },
        body: write.body,
      })
    case 'slip':
      return call(ENDPOINTS.putSlip, {
        params: { shotId: write.shotId, slipId: write.slipId },
        body: write.body,
      })
    case 'ruling':
      return call(ENDPOINTS.putRuling, {
        params: { shotId: write.shotId, rulingId: write.rulingId },
        body: write.body,
      })
    case 'repurposing':
      return call(ENDPOINTS.putRepurposing, {
        params: { shotId: write.shotId, repurposingId: write.repurposingId },
        body: write.body,
      })
    case 'photo':
      return call(ENDPOINTS.putPhoto, {
        params: { shotId: write.shotId, photoId: write.photoId },
        body: write.body,
      })
    case 'watch':
      return call(ENDPOINTS.putWatch, {
        params: { trainingId: write.trainingId, watchId: write.watchId },
        body: write.body,
      })
    case 'training-event':
      return call(ENDPOINTS.putTrainingEvent, {
        params: { trainingId: write.trainingId, eventId: write.eventId },
        body: write.body,
      })
    case 'assessment-event':
      return call(ENDPOINTS.putAssessmentEvent, {
        params: { assessmentId: write.assessmentId, eventId: write.eventId },
        body: write.body,
      })
  }
}

/** Of what a write tells, so that what belongs to something refused waits with it. */
function subjectOf(write: Write): string {
  if (write.kind === 'assessment-event') return write.assessmentId
  return 'trainingId' in write ? write.trainingId : write.shotId
}

/**
 * Sends what waits, oldest first, until all is sent or the server can't be reached. A refused write is settled
 * with the server's reason; what belongs to it waits with it, and nothing else does, nor is anything held up by one
 * whose author is not here. Tells whether the server was reached throughout.
 */
export async function sendWaiting(
  writes: readonly UnsentWrite[],
  maySend: (write: UnsentWrite) => boolean,
  settle: (write: UnsentWrite, settled: Settled) => Promise<void>,
  send: (write: UnsentWrite) => Promise<SendOutcome> = sendWrite,
): Promise<boolean> {
  const held = new Set<string>()
  for (const write of writes) {
    if (write.sentAtMs !== undefined) continue
    const subject = subjectOf(write)
    const isFirst = write.kind === 'shot' || write.kind === 'training-event'
    if (write.refused !== null || !maySend(write)) {
      if (isFirst) held.add(subject)
      continue
    }
    if (!isFirst && held.has(subject)) continue
    const outcome = await send(write)
    if (outcome.sent) await settle(write, { sentAtMs: Date.now() })
    else if (outcome.refused === null) return false
    else {
      await settle(write, { refused: outcome.refused })
      if (isFirst) held.add(subject)
    }
  }
  return true
}

const FIRST_WAIT_MS = 1000
const LONGEST_WAIT_MS = 30_000

/** How long to wait before the next try after so many failures in a row: 1, 2, 4 … at most 30 s. */
export function backOffMs(failures: number): number {
  return Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** Math.max(0, failures - 1))
}
