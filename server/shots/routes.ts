import { ENDPOINTS } from '@calm-apron/contract'
import { Router } from 'express'
import { serve } from '../http/serve.ts'
import type { ShotService } from './shotService.ts'

export function shotRoutes(shots: ShotService): Router {
  const router = Router()
  serve(router, ENDPOINTS.listShots, async ({ query }) => ({ answer: await shots.list(query) }))
  serve(router, ENDPOINTS.getShot, async ({ params }) => ({ answer: await shots.find(params.shotId) }))
  serve(router, ENDPOINTS.putShot, async ({ params, body }) => {
    const { created, record } = await shots.record(params.shotId, body)
    return { created, answer: record }
  })
  serve(router, ENDPOINTS.putCorrection, async ({ params, body }) => {
    const { created, record } = await shots.correct(params.shotId, params.revisionId, body)
    return { created, answer: record }
  })
  return router
}
