import { API_BASE, MAX_BODY_BYTES } from '@calm-apron/contract'
import compression from 'compression'
import express, { type Express, type Response, Router } from 'express'
import type { Logger } from 'pino'
import type { Readiness } from './database/readiness.ts'
import { academyRoutes } from './academies/routes.ts'
import { auditRoutes } from './audit/routes.ts'
import { claimRoutes } from './claims/routes.ts'
import { doorRoutes } from './doors/routes.ts'
import { healthRoutes } from './health/routes.ts'
import { descriptionRoutes } from './http/description.ts'
import { requestLog } from './http/logging.ts'
import { LIGHTLY } from './http/packed.ts'
import { answerProblem, refuseUnknownPath } from './http/problems.ts'
import { securityHeaders } from './http/security.ts'
import { webRoutes } from './http/web.ts'
import type { House } from './house.ts'
import { peopleRoutes } from './people/routes.ts'
import { prepareRoutes } from './prepare/routes.ts'
import { setAsideRoutes } from './setAside/routes.ts'
import { shotRoutes } from './shots/routes.ts'
import { signOffRoutes } from './signOff/routes.ts'
import { skillRoutes } from './skill/routes.ts'
import { tastingRoutes } from './tasting/routes.ts'
import { todayRoutes } from './today/routes.ts'
import { liveRoutes } from './live/routes.ts'
import { trainingRoutes } from './training/routes.ts'

/** All that the app needs from outside. */
export interface AppParts {
  house: House
  /** Which proxies in front may say where a request came from; as Express takes it. */
  trustProxy: boolean | number | string
  checkReadiness: () => Promise<Readiness>
  logger: Logger
  /** Where devices may be besides this machine itself, such as `ws://192.168.1.20:4181`. */
  deviceOrigins: readonly string[]
  /** Where the built web app lies; null for the API alone. */
  webFolder: string | null
  version: string
}

/** The whole HTTP face of the server, without a port. */
export function createApp(parts: AppParts): Express {
  const app = express()
  app.disable('x-powered-by')
  app.set('trust proxy', parts.trustProxy)
  // Answers are never kept, and files have theirs already.
  app.set('etag', false)
  app.use(requestLog(parts.logger))
  app.use(securityHeaders(parts.house.doors.isSecure, parts.deviceOrigins))
  // A live line is written word by word, and must not wait in a compressor.
  app.use(compression({ ...LIGHTLY, filter: (req, res) => !isLive(res) && compression.filter(req, res) }))
  app.use(healthRoutes(parts.checkReadiness))
  app.use(API_BASE, apiRoutes(parts))
  if (parts.webFolder !== null) app.use(webRoutes(parts.webFolder))
  app.use(answerProblem)
  return app
}

function isLive(res: Response): boolean {
  return String(res.getHeader('Content-Type')).startsWith('text/event-stream')
}

function apiRoutes({ house, version }: AppParts): Router {
  const api = Router()
  api.use(express.json({ limit: MAX_BODY_BYTES }))
  api.use((_req, res, next) => {
    res.set('Cache-Control', 'no-store')
    next()
  })
  api.use(descriptionRoutes(version))
  const resources = [
    doorRoutes,
    todayRoutes,
    academyRoutes,
    peopleRoutes,
    prepareRoutes,
    shotRoutes,
    tastingRoutes,
    trainingRoutes,
    signOffRoutes,
    skillRoutes,
    liveRoutes,
    claimRoutes,
    auditRoutes,
    setAsideRoutes,
  ]
  for (const routes of resources) api.use(routes(house))
  api.use(refuseUnknownPath)
  return api
}
