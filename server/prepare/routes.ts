import { ENDPOINTS, PREPARED_KINDS, fileThing } from '@calm-apron/contract'
import { Router } from 'express'
import type { House } from '../house.ts'
import { serve } from '../http/serve.ts'
import { grindHistory } from './grindHistory.ts'
import { importThings } from './importThings.ts'
import { archivePrepared, changePrepared, makePrepared, readPrepared, seePrepared } from './prepareService.ts'
import { allPrepared } from './queries.ts'
import { coffeeUsed } from './useQueries.ts'
import { workedSettings } from './workedSettings.ts'

export function prepareRoutes(house: House): Router {
  const router = Router()
  serve(house, router, ENDPOINTS.listPrepared, async (work) => ({
    answer: await seePrepared(work, work.query),
  }))
  serve(house, router, ENDPOINTS.getPrepared, async (work) => ({
    answer: await readPrepared(work, work.params.preparedId),
  }))
  serve(house, router, ENDPOINTS.putPrepared, async (work) => {
    const { created, record } = await makePrepared(work, work.params.preparedId, work.body)
    return { created, answer: record }
  })
  serve(house, router, ENDPOINTS.putPreparedRevision, async (work) => {
    const { preparedId, revisionId } = work.params
    const { created, record } = await changePrepared(work, preparedId, revisionId, work.body)
    return { created, answer: record }
  })
  serve(house, router, ENDPOINTS.archivePrepared, async (work) => ({
    answer: await archivePrepared(work, work.params.preparedId, work.body.isArchived),
  }))
  serve(house, router, ENDPOINTS.importPrepared, async (work) => ({
    answer: await importThings(work, work.body),
  }))
  serve(house, router, ENDPOINTS.exportPrepared, async ({ transaction, now }) => {
    const records = await allPrepared(transaction, PREPARED_KINDS)
    const things = records.map(({ preparedId, kind, parentId, content }) =>
      fileThing.parse({ preparedId, thing: { kind, parentId, content } }),
    )
    return {
      answer: {
        format: 'calm-apron-prepared' as const,
        version: 1 as const,
        madeAt: now.toISOString(),
        things,
      },
    }
  })
  serve(house, router, ENDPOINTS.coffeeUse, async ({ transaction, now }) => ({
    answer: await coffeeUsed(transaction, now),
  }))
  serve(house, router, ENDPOINTS.workedSettings, async (work) => ({
    answer: await workedSettings(work, work.params.preparedId),
  }))
  serve(house, router, ENDPOINTS.grindHistory, async (work) => ({
    answer: { seen: await grindHistory(work, work.params.preparedId, work.query) },
  }))
  return router
}
