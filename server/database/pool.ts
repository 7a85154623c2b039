import { drizzle } from 'drizzle-orm/node-postgres'
import type { NodePgDatabase } from 'drizzle-orm/node-postgres'
import pg from 'pg'
import { keepStatements } from './keptStatements.ts'
import { type TurnLimits, type Turns, fairTurns } from './turns.ts'

/** The query builder over a pool, and whose turn it is at it. */
export type Database = NodePgDatabase & { $client: pg.Pool; turns: Turns }
/** A transaction in which one academy has been named; the only way queries reach the database. */
export type AcademyTransaction = Omit<NodePgDatabase, 'transaction'> & {
  readonly isTransaction: true
  readonly $client: pg.ClientBase
}

const CONNECT_WITHIN_MS = 3000
const STATEMENT_WITHIN_MS = 10_000
/** One of those who ask gets a third of them at the most; two connections are left for what needs no turn, such as counting tries. */
export const TURNS: TurnLimits = { atOnce: 10, each: 3, mostWaiting: 100, within: 8000 }
const CONNECTIONS = TURNS.atOnce + 2

/** Opens a pool of connections; `onLost` hears of idle connections that broke, which must not end the process. */
export function openPool(
  databaseUrl: string,
  onLost: (error: Error) => void,
  connections = CONNECTIONS,
): pg.Pool {
  const pool = new pg.Pool({
    connectionString: databaseUrl,
    max: connections,
    connectionTimeoutMillis: CONNECT_WITHIN_MS,
    statement_timeout: STATEMENT_WITHIN_MS,
    // A server that vanished in mid-transaction must not keep its locks.
    idle_in_transaction_session_timeout: STATEMENT_WITHIN_MS,
    // What is asked together goes out together.
    pipeline: true,
    // Every statement is short: to compile one takes longer than to run it.
    options: '-c jit=off',
  })
  pool.on('error', onLost)
  pool.on('connect', (client) => {
    // The pool listens only while a connection is idle; one that breaks in the middle of a transaction must not end us either.
    client.on('error', onLost)
    keepStatements(client)
  })
  return pool
}

/** The query builder over a pool. */
export function databaseOver(pool: pg.Pool): Database {
  return Object.assign(drizzle(pool), { turns: fairTurns(TURNS) })
}
