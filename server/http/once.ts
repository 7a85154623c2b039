import { sql } from 'drizzle-orm'
import type { AcademyTransaction } from '../database/pool.ts'
import { together } from '../database/together.ts'
import { Refusal } from '../refusal.ts'
import { isOfThisBody, sentDigest } from './bodyDigest.ts'

/** What was kept now, or by the same request before. */
export interface Kept<T> {
  created: boolean
  record: T
}

/** The part of an errand that tells a repeated request from another one. */
export interface SentBody {
  transaction: AcademyTransaction
  /** The body as it came, before it was read. */
  sent: unknown
}

/** Until this transaction is over nobody else makes anything under this id. */
export async function waitForOthersUnder(transaction: AcademyTransaction, id: string): Promise<void> {
  await transaction.execute(sql`select pg_advisory_xact_lock(hashtextextended(${id}, 0))`).execute()
}

interface Creation<Row, T> {
  /** Of what is made, as the caller named it. */
  id: string
  find: () => Promise<Row | null>
  /** Digest of the body that made it; null where none was kept then. */
  digestOf: (first: Row) => string | null
  /** Whether it was made of the same thing, and by the same person, as is asked now. */
  isOfSame?: (first: Row) => boolean
  /** The body as it was read. */
  body: unknown
  tell: (first: Row) => T | Promise<T>
  make: (digest: string) => Promise<T>
  /** In a sentence: that something else is there under this id. */
  taken: string
}

/**
 * Makes what a caller names by an id of their own: repeated, it is what was made before. Requests under one id wait for
 * one another, so that of two that are the same the second finds the first.
 * @throws {Refusal} `id-taken` for another body under a used id
 */
export async function once<Row, T>(
  { transaction, sent }: SentBody,
  { id, find, digestOf, isOfSame = () => true, body, tell, make, taken }: Creation<Row, T>,
): Promise<Kept<T>> {
  // The second is looked for once the first is through: the database answers one after the other.
  const [, first] = await together([waitForOthersUnder(transaction, id), find()])
  if (first === null) return { created: true, record: await make(sentDigest(sent)) }
  const digest = digestOf(first)
  if (!isOfSame(first) || (digest !== null && !isOfThisBody(digest, sent, body)))
    throw new Refusal('id-taken', taken)
  return { created: false, record: await tell(first) }
}
