import { ENDPOINTS } from '@calm-apron/contract'
import { Router } from 'express'
import type { House } from '../house.ts'
import { mount, serve } from '../http/serve.ts'
import { passingOnStages } from './stages.ts'
import { listOpenTrainings, listPastTrainings, noteEvent, readTraining } from './trainingService.ts'
import { keepWatch } from './watching.ts'

export function trainingRoutes(house: House): Router {
  const router = Router()
  serve(house, router, ENDPOINTS.listTrainings, async (work) => ({
    answer: { trainings: await listOpenTrainings(work) },
  }))
  serve(house, router, ENDPOINTS.listPastTrainings, async (work) => ({
    answer: await listPastTrainings(work, work.query),
  }))
  serve(house, router, ENDPOINTS.getTraining, async (work) => ({
    answer: await readTraining(work, work.params.trainingId),
  }))
  serve(house, router, ENDPOINTS.putTrainingEvent, async (work) => {
    const { trainingId, eventId } = work.params
    const { created, record } = await noteEvent(work, trainingId, eventId, work.body)
    return { created, answer: record }
  })
  serve(house, router, ENDPOINTS.putWatch, async (work) => {
    const { trainingId, watchId } = work.params
    const { created, record } = await keepWatch(work, trainingId, watchId, work.body)
    return { created, answer: record }
  })
  const passOn = passingOnStages(house)
  mount(house, router, ENDPOINTS.putStage, async (asked) => {
    await passOn(asked)
    return { answer: {} }
  })
  return router
}
