import { ENDPOINTS } from '@calm-apron/contract'
import { Router } from 'express'
import type { House } from '../house.ts'
import { serve } from '../http/serve.ts'
import { fillSlip, makeCall, readTasting } from './tastingService.ts'

export function tastingRoutes(house: House): Router {
  const router = Router()
  serve(house, router, ENDPOINTS.getTasting, async (work) => ({
    answer: await readTasting(work, work.params.shotId),
  }))
  serve(house, router, ENDPOINTS.putCall, async (work) => {
    const { shotId, callId } = work.params
    const { created, record } = await makeCall(work, shotId, callId, work.body)
    return { created, answer: record }
  })
  serve(house, router, ENDPOINTS.putSlip, async (work) => {
    const { shotId, slipId } = work.params
    const { created, record } = await fillSlip(work, shotId, slipId, work.body)
    return { created, answer: record }
  })
  return router
}
