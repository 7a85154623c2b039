import { API_BASE, MAX_BODY_BYTES } from '@calm-apron/contract'
import { openApiDocument } from '@calm-apron/contract/openapi'
import express, { type Express, Router } from 'express'
import type { Logger } from 'pino'
import type { Database } from './database/pool.ts'
import type { Readiness } from './database/readiness.ts'
import { healthRoutes } from './health/routes.ts'
import { requestLog } from './http/logging.ts'
import { answerProblem, refuseUnknownPath } from './http/problems.ts'
import { securityHeaders } from './http/security.ts'
import { webRoutes } from './http/web.ts'
import { shotRoutes } from './shots/routes.ts'
import { createShotService } from './shots/shotService.ts'
import { todayRoutes } from './today/routes.ts'

/** All that the app needs from outside. */
export interface AppParts {
  database: Database
  checkReadiness: () => Promise<Readiness>
  logger: Logger
  now: () => Date
  /** Where the built web app lies. */
  webFolder: string
  version: string
}

/** The whole HTTP face of the server, without a port. */
export function createApp(parts: AppParts): Express {
  const app = express()
  app.disable('x-powered-by')
  app.use(requestLog(parts.logger))
  app.use(securityHeaders())
  app.use(healthRoutes(parts.checkReadiness))
  app.use(API_BASE, apiRoutes(parts))
  app.use(webRoutes(parts.webFolder))
  app.use(answerProblem)
  return app
}

function apiRoutes({ database, now, version }: AppParts): Router {
  const api = Router()
  const document = openApiDocument(version)
  api.use(express.json({ limit: MAX_BODY_BYTES }))
  api.use((_req, res, next) => {
    res.set('Cache-Control', 'no-store')
    next()
  })
  api.get('/openapi.json', (_req, res) => {
    res.json(document)
  })
  api.use(todayRoutes(database))
  api.use(shotRoutes(createShotService({ database, now })))
  api.use(refuseUnknownPath)
  return api
}
