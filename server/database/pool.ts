import { drizzle } from 'drizzle-orm/node-postgres'
import type { NodePgDatabase } from 'drizzle-orm/node-postgres'
import pg from 'pg'

export type Database = NodePgDatabase
/** A transaction in which one academy has been named; the only way queries reach the database. */
export type AcademyTransaction = Parameters<Parameters<Database['transaction']>[0]>[0]

const CONNECT_WITHIN_MS = 3000
const STATEMENT_WITHIN_MS = 10_000
const CONNECTIONS = 10

/** Opens a pool of connections; `onLost` hears of idle connections that broke, which must not end the process. */
export function openPool(databaseUrl: string, onLost: (error: Error) => void): pg.Pool {
  const pool = new pg.Pool({
    connectionString: databaseUrl,
    max: CONNECTIONS,
    connectionTimeoutMillis: CONNECT_WITHIN_MS,
    statement_timeout: STATEMENT_WITHIN_MS,
    // A server that vanished in mid-transaction must not keep its locks.
    idle_in_transaction_session_timeout: STATEMENT_WITHIN_MS,
  })
  pool.on('error', onLost)
  // The pool listens only while a connection is idle; one that breaks in the middle of a transaction must not end us either.
  pool.on('connect', (client) => client.on('error', onLost))
  return pool
}

/** The query builder over a pool. */
export function databaseOver(pool: pg.Pool): Database {
  return drizzle(pool)
}
