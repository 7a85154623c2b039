import { constants, setPriority } from 'node:os'
import { parentPort } from 'node:worker_threads'
import pino from 'pino'
import { databaseOver, openPool } from '../database/pool.ts'
import { readEnvironment } from '../environment.ts'
import { bareError } from '../http/logging.ts'
import { workOutSaid } from '../shots/said/workOutSaid.ts'
import { workOutAll } from '../skill/workOut.ts'
import { workLoop } from './workLoop.ts'

// A thread of its own, started by the server: what is worked out of every shot takes a core for a while, and whoever records
// the next one meanwhile would wait for a piece of it at each of a dozen statements.

// Nor is it to take a core from whoever waits for an answer. Linux knows a priority of each thread; elsewhere it would be the
// whole server's.
if (process.platform === 'linux') setPriority(0, constants.priority.PRIORITY_BELOW_NORMAL)

/** One thing is in hand at a time. */
const CONNECTIONS = 1

const { databaseUrl, logLevel } = readEnvironment(process.env)
const logger = pino({ level: logLevel })
const pool = openPool(
  databaseUrl,
  (error) => logger.warn({ err: error }, 'lost the background’s database connection'),
  CONNECTIONS,
)
const house = { database: databaseOver(pool), now: () => new Date() }

const loop = workLoop(
  async (stopping) => {
    await workOutAll(house, stopping)
    await workOutSaid(house, stopping)
  },
  (error) => logger.warn({ err: bareError(error) }, 'what somebody can do could not be worked out'),
)

parentPort?.once('message', () => {
  void loop.stop().then(() => pool.end())
})
