import { ENDPOINTS } from '@calm-apron/contract'
import { Router } from 'express'
import type { House } from '../house.ts'
import { serve } from '../http/serve.ts'
import { readToday } from './readToday.ts'

export function todayRoutes(house: House): Router {
  const router = Router()
  serve(house, router, ENDPOINTS.today, async (work) => ({ answer: await readToday(work) }))
  return router
}
