import { ENDPOINTS } from '@calm-apron/contract'
import { Router } from 'express'
import type { House } from '../house.ts'
import { serve } from '../http/serve.ts'
import { told } from '../setAside/setAside.ts'
import { listShotPage, readShotDetail } from './readShots.ts'
import { correctShot, recordShot } from './shotService.ts'

export function shotRoutes(house: House): Router {
  const router = Router()
  serve(house, router, ENDPOINTS.listShots, async (work) => ({
    answer: await listShotPage(work, work.query),
  }))
  serve(house, router, ENDPOINTS.getShot, async (work) => ({
    answer: await readShotDetail(work, work.params.shotId),
  }))
  serve(house, router, ENDPOINTS.putShot, async (work) =>
    told(await recordShot(work, work.params.shotId, work.body)),
  )
  serve(house, router, ENDPOINTS.putCorrection, async (work) => {
    const { shotId, revisionId } = work.params
    return told(await correctShot(work, shotId, revisionId, work.body))
  })
  return router
}
