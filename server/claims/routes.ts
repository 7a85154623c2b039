import { ENDPOINTS } from '@calm-apron/contract'
import { Router } from 'express'
import { leaveTrace } from '../audit/trace.ts'
import { notThere } from '../doors/actor.ts'
import type { House } from '../house.ts'
import { serve } from '../http/serve.ts'
import { decideClaim, listOpenClaims } from './queries.ts'

/** What was entered in one's name on a tablet that others held: confirmed one by one, or denied. */
export function claimRoutes(house: House): Router {
  const router = Router()
  serve(house, router, ENDPOINTS.listClaims, async ({ actor, transaction }) => ({
    answer: { claims: await listOpenClaims(transaction, actor.personId) },
  }))
  serve(house, router, ENDPOINTS.decideClaim, async ({ actor, transaction, now, params, body }) => {
    const { academyId, personId } = actor
    const decided = await decideClaim(transaction, { ...params, ...body, personId, now })
    if (decided === null) throw notThere()
    const kind = body.isMine ? 'claim-confirmed' : 'claim-denied'
    const { subjectId, sentBy } = decided
    const trace = { academyId, kind, actorId: personId, personId: sentBy, subjectId } as const
    await leaveTrace(transaction, { ...trace, after: { recordId: params.recordId } }, now)
    return { answer: {} }
  })
  return router
}
