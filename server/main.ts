import { readFileSync } from 'node:fs'
import { type RequestListener, type Server, createServer } from 'node:http'
import { createServer as createTlsServer } from 'node:https'
import pino from 'pino'
import { createApp } from './app.ts'
import { inThread } from './background/thread.ts'
import { databaseOver, openPool } from './database/pool.ts'
import { checkReadiness } from './database/readiness.ts'
import { sweepAttempts } from './doors/attemptQueries.ts'
import { offerSetUp } from './doors/setUp.ts'
import { readEnvironment } from './environment.ts'
import { bareError } from './http/logging.ts'
import { liveHub } from './live/hub.ts'
import packageJson from './package.json' with { type: 'json' }

/** Requests get so long to finish, and all of stopping so long: whatever hangs then is let go. */
const FINISH_WITHIN_MS = 3000
const STOP_WITHIN_MS = 4500
const LOOK_FOR_IDLE_EVERY_MS = 20
/** Longer than a proxy keeps a line it has nothing to say on: else one is closed just as the next request is sent on it. */
const KEEP_ALIVE_MS = 75_000
const SWEEP_EVERY_MS = 3_600_000

const environment = readEnvironment(process.env)
const logger = pino({ level: environment.logLevel })
const pool = openPool(environment.databaseUrl, (error) =>
  logger.warn({ err: error }, 'lost a database connection'),
)
const { publicOrigin, isSecure, demoSignIn } = environment
const live = liveHub(environment.listenUrl, (error) =>
  logger.warn({ err: bareError(error) }, 'the live line to the database broke'),
)
const house = {
  database: databaseOver(pool),
  now: () => new Date(),
  doors: { publicOrigin, isSecure, demoSignIn },
  live,
}
const app = createApp({
  house,
  trustProxy: environment.trustProxy,
  checkReadiness: () => checkReadiness(pool),
  logger,
  deviceOrigins: environment.deviceOrigins,
  webFolder: environment.webFolder,
  version: packageJson.version,
})

const server = serverFor(app)
server.keepAliveTimeout = KEEP_ALIVE_MS
server.listen(environment.port, environment.host, () => {
  logger.info({ address: server.address() }, 'listening')
})
await tellSetUpCode()

function serverFor(listener: RequestListener): Server {
  if (environment.tls === null) return createServer(listener)
  const { certFile, keyFile } = environment.tls
  return createTlsServer({ cert: readFileSync(certFile), key: readFileSync(keyFile) }, listener)
}

/** The code goes to the console and nowhere else: who reads it there owns the house. */
async function tellSetUpCode(): Promise<void> {
  try {
    const code = await offerSetUp(house)
    if (code !== null) console.log(`Code for the first set-up: ${code}`)
  } catch (error) {
    logger.warn({ err: bareError(error) }, 'no code for the first set-up could be made')
  }
}

// Once an hour is often enough for what is kept an hour at the most; another server doing the same does no harm.
const sweeping = setInterval(() => {
  sweepAttempts(house.database).catch((error: unknown) =>
    logger.warn({ err: bareError(error) }, 'failed tries could not be swept'),
  )
}, SWEEP_EVERY_MS)
sweeping.unref()

// It lies beside us where the server was built.
const background = inThread(new URL('background.js', import.meta.url), (error) =>
  logger.error({ err: bareError(error) }, 'the background ended'),
)

let isStopping = false
async function stop(why: string): Promise<void> {
  if (isStopping) return
  isStopping = true
  logger.info({ why }, 'stopping')
  const overdue = setTimeout(letGo, STOP_WITHIN_MS)
  overdue.unref()
  // A live line never ends by itself.
  await live.close()
  await Promise.all([background.stop(), finishRequests(server)])
  await pool.end()
  logger.info('stopped')
  // An open channel to the parent would keep the process.
  if (process.connected) process.disconnect()
}

/** What is not through is undone by the database. */
function letGo(): void {
  logger.warn('let go')
  process.exit(1)
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
