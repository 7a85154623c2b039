import type { Server } from 'node:http'
import pino from 'pino'
import { createApp } from './app.ts'
import { databaseOver, openPool } from './database/pool.ts'
import { checkReadiness } from './database/readiness.ts'
import { readEnvironment } from './environment.ts'
import packageJson from './package.json' with { type: 'json' }

const FINISH_WITHIN_MS = 10_000
const LOOK_FOR_IDLE_EVERY_MS = 20

const environment = readEnvironment(process.env)
const logger = pino({ level: environment.logLevel })
const pool = openPool(environment.databaseUrl, (error) =>
  logger.warn({ err: error }, 'lost a database connection'),
)
const app = createApp({
  database: databaseOver(pool),
  checkReadiness: () => checkReadiness(pool),
  logger,
  now: () => new Date(),
  webFolder: environment.webFolder,
  version: packageJson.version,
})

const server = app.listen(environment.port, environment.host, (error?: Error) => {
  if (error) throw error
  logger.info({ address: server.address() }, 'listening')
})

let isStopping = false
async function stop(why: string): Promise<void> {
  if (isStopping) return
  isStopping = true
  logger.info({ why }, 'stopping')
  await finishRequests(server)
  await pool.end()
  logger.info('stopped')
  // An open channel to the parent would keep the process.
  if (process.connected) process.disconnect()
}

/** Lets running requests finish, but not for ever. */
async function finishRequests(listening: Server): Promise<void> {
  const overdue = setTimeout(() => listening.closeAllConnections(), FINISH_WITHIN_MS)
  // A kept-alive connection is let go as soon as it has nothing under way.
  const idle = setInterval(() => listening.closeIdleConnections(), LOOK_FOR_IDLE_EVERY_MS)
  await new Promise<void>((resolve) => {
    listening.close(() => resolve())
  })
  clearInterval(idle)
  clearTimeout(overdue)
}

process.on('SIGINT', () => void stop('interrupt'))
process.on('SIGTERM', () => void stop('terminate'))
// Started by `npm start`: when that is gone, so are we.
process.on('disconnect', () => void stop('parent gone'))
