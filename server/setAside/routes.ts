import { ENDPOINTS, type SetAsideRecord } from '@calm-apron/contract'
import { Router } from 'express'
import { leaveTrace } from '../audit/trace.ts'
import type { House } from '../house.ts'
import { type Errand, serve } from '../http/serve.ts'
import { storeCorrection } from '../shots/shotService.ts'
import { storeShot } from '../shots/storeShot.ts'
import { notThere } from '../doors/actor.ts'
import { type NewSlip, keepSlip } from '../tasting/slips.ts'
import { bodyDigest } from '../http/bodyDigest.ts'
import { findShotOwner } from '../shots/queries.ts'
import { listSetAside, takeSetAside } from './queries.ts'

/** Records whose author's account ended before they arrived: the head decides. */
export function setAsideRoutes(house: House): Router {
  const router = Router()
  serve(house, router, ENDPOINTS.listSetAside, async ({ transaction }) => ({
    answer: { records: await listSetAside(transaction) },
  }))
  serve(house, router, ENDPOINTS.decideSetAside, async (work) => {
    await decide(work, work.params.setAsideId, work.body)
    return { answer: {} }
  })
  return router
}

/**
 * Stores the record after all, or lets it go; either way it is traced.
 * @throws {Refusal} `not-found`; `changed-meanwhile` for a correction of numbers that are no longer the newest
 */
async function decide(
  errand: Errand,
  setAsideId: string,
  { decision, why }: { decision: 'keep' | 'drop'; why: string },
): Promise<void> {
  const { actor, transaction, now } = errand
  const row = await takeSetAside(transaction, setAsideId)
  if (row === null) throw notThere()
  if (decision === 'keep') await store(errand, row.write, why)
  const { academyId, personId: actorId } = actor
  await leaveTrace(
    transaction,
    {
      academyId,
      kind: decision === 'keep' ? 'set-aside-kept' : 'set-aside-dropped',
      actorId,
      personId: row.judgedBy,
      subjectId: row.write.shotId,
      before: { kind: row.write.kind },
      why,
    },
    now,
  )
}

async function store(errand: Errand, write: SetAsideRecord['write'], why: string): Promise<void> {
  if (write.kind === 'correction') {
    await storeCorrection(errand, write.shotId, write.revisionId, write.body)
    return
  }
  if (write.kind === 'slip') {
    // What changes an opened slip bears a reason: where they gave none, the head's.
    const body = { ...write.body, reason: write.body.reason ?? why }
    await keepSlip(errand, await slipOf(errand, write), body)
    return
  }
  await storeShot(errand, write.shotId, write.body)
}

/** @throws {Refusal} `not-found` where the shot is gone */
async function slipOf(
  { actor, transaction }: Errand,
  { shotId, slipId, body }: Extract<SetAsideRecord['write'], { kind: 'slip' }>,
): Promise<NewSlip> {
  const owner = await findShotOwner(transaction, shotId)
  if (owner === null) throw notThere()
  const saying = { takenDownBy: actor.personId, isClaimed: false }
  return { shotId, slipId, pulledBy: owner.personId, saying, digest: bodyDigest(body) }
}
