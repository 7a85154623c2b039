import { ENDPOINTS } from '@calm-apron/contract'
import { Router } from 'express'
import type { House } from '../house.ts'
import { serve } from '../http/serve.ts'
import { told } from '../setAside/setAside.ts'
import { addPhoto, overrule } from './besideReading.ts'
import { makeCall } from './calls.ts'
import { repurpose } from './repurpose.ts'
import { readTasting } from './readTasting.ts'
import { fillSlip } from './slips.ts'

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
    return told(await fillSlip(work, shotId, slipId, work.body))
  })
  serve(house, router, ENDPOINTS.putRuling, async (work) => {
    const { shotId, rulingId } = work.params
    const { created, record } = await overrule(work, shotId, rulingId, work.body)
    return { created, answer: record }
  })
  serve(house, router, ENDPOINTS.putRepurposing, async (work) => {
    const { shotId, repurposingId } = work.params
    const { created, record } = await repurpose(work, shotId, repurposingId, work.body)
    return { created, answer: record }
  })
  serve(house, router, ENDPOINTS.putPhoto, async (work) => {
    const { shotId, photoId } = work.params
    const { created, record } = await addPhoto(work, shotId, photoId, work.body)
    return { created, answer: record }
  })
  return router
}
