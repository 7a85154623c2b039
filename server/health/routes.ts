import { Router } from 'express'
import type { Readiness } from '../database/readiness.ts'
import { Refusal } from '../refusal.ts'

/** `/healthz`: the process runs. `/readyz`: it can serve. */
export function healthRoutes(checkReadiness: () => Promise<Readiness>): Router {
  const router = Router()
  router.get('/healthz', (_req, res) => {
    res.json({ status: 'up' })
  })
  router.get('/readyz', async (_req, res) => {
    const readiness = await checkReadiness()
    if (!readiness.ready) throw new Refusal('not-ready', readiness.why)
    res.json({ status: 'ready' })
  })
  return router
}
