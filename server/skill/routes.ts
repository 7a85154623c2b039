import { ENDPOINTS } from '@calm-apron/contract'
import { Router } from 'express'
import type { House } from '../house.ts'
import { serve } from '../http/serve.ts'
import { giveTakeHome } from './giveTakeHome.ts'
import { readPerson, readTeam } from './readSkill.ts'

export function skillRoutes(house: House): Router {
  const router = Router()
  serve(house, router, ENDPOINTS.listSkill, async (work) => ({ answer: await readTeam(work) }))
  serve(house, router, ENDPOINTS.getSkill, async (work) => ({
    answer: await readPerson(work, work.params.personId),
  }))
  serve(house, router, ENDPOINTS.putTakeHome, async (work) => {
    const { created, record } = await giveTakeHome(work, work.params, work.body)
    return { created, answer: record }
  })
  return router
}
