import { ENDPOINTS } from '@calm-apron/contract'
import { Router } from 'express'
import { serveProven } from '../doors/serveProven.ts'
import type { House } from '../house.ts'
import { serve } from '../http/serve.ts'
import { noteAssessment } from './noteAssessment.ts'
import { listAssessments, readAssessment, readSignOffs } from './readSignOffs.ts'

/** Assessments, and what they come to. */
export function signOffRoutes(house: House): Router {
  const router = Router()
  serve(house, router, ENDPOINTS.getSignOffs, async (work) => ({
    answer: await readSignOffs(work, work.params.personId),
  }))
  serve(house, router, ENDPOINTS.listAssessments, async (work) => ({ answer: await listAssessments(work) }))
  serve(house, router, ENDPOINTS.getAssessment, async (work) => ({
    answer: await readAssessment(work, work.params.assessmentId),
  }))
  serve(house, router, ENDPOINTS.putAssessmentEvent, async (work) => {
    const { created, record } = await noteAssessment(work, work.params, work.body)
    return { created, answer: record }
  })
  serveProven(
    house,
    router,
    ENDPOINTS.signAssessment,
    { by: ({ body }) => body.by, secretOf: ({ body }) => body.secret, isOpenToDemo: true },
    async (work) => {
      // No digest of a secret is kept: a PIN is soon guessed from one.
      const { at, happening, text } = work.body
      const signed = { by: work.actor.personId, at, happening, text }
      const { created, record } = await noteAssessment({ ...work, sent: signed }, work.params, signed)
      return { created, answer: record }
    },
  )
  return router
}
