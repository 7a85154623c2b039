import { ENDPOINTS } from '@calm-apron/contract'
import { Router } from 'express'
import type { House } from '../house.ts'
import { readCursor, writeCursor } from '../http/cursor.ts'
import { serve } from '../http/serve.ts'
import { listTraces } from './queries.ts'
import { asSeenBy } from './sealed.ts'

export function auditRoutes(house: House): Router {
  const router = Router()
  serve(house, router, ENDPOINTS.listAudit, async ({ actor, transaction, query }) => {
    const after = query.cursor === undefined ? null : readCursor(query.cursor)
    const rows = await listTraces(transaction, query, after)
    const entries = await asSeenBy(transaction, actor, rows.slice(0, query.limit))
    const last = entries.at(-1)
    const hasMore = rows.length > query.limit && last !== undefined
    return {
      answer: { entries, nextCursor: hasMore ? writeCursor({ at: last.at, id: last.auditId }) : null },
    }
  })
  return router
}
