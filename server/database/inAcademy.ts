import type { Role } from '@calm-apron/contract'
import { drizzle } from 'drizzle-orm/node-postgres'
import type pg from 'pg'
import { isLostRace } from './errors.ts'
import type { AcademyTransaction, Database } from './pool.ts'

/** What a door is known by before its academy is: a sign-in name, the hash of a secret, or nothing for the demo. */
export type Door = 'session' | 'sign-in' | 'invitation' | 'device' | 'demo'

// No academy has it, so a transaction that names it sees nothing, and takes as long as any other.
const NOBODYS_ACADEMY = '00000000-0000-0000-0000-000000000000'

/** Runs `work` in one transaction that sees one academy only. */
export async function inAcademy<T>(
  database: Database,
  academyId: string,
  work: (transaction: AcademyTransaction) => Promise<T>,
): Promise<T> {
  const begin = async (client: pg.PoolClient) => {
    await client.query('begin')
    await client.query("select set_config('calm_apron.academy_id', $1, true)", [academyId])
  }
  return inTransaction(database, { whose: academyId, begin }, work)
}

const NAME_ACADEMY = `select set_config('calm_apron.academy_id', coalesce(academy_behind($1, $2)::text, '${NOBODYS_ACADEMY}'), true) as academy_id`

/**
 * Runs `work` in one transaction that sees only the academy behind a door. Behind a door that is none it sees an empty
 * one, so that the caller answers both alike.
 */
export async function behindDoor<T>(
  database: Database,
  door: Door,
  key: string,
  work: (transaction: AcademyTransaction, academyId: string) => Promise<T>,
): Promise<T> {
  const begin = async (client: pg.PoolClient) => {
    await client.query('begin')
    const { rows } = await client.query<{ academy_id: string }>(NAME_ACADEMY, [door, key])
    return rows[0]?.academy_id ?? NOBODYS_ACADEMY
  }
  return inTransaction(database, { whose: `${door} ${key}`, begin }, work)
}

/** Whose a session is, and how it stands. */
export interface FoundSession {
  academyId: string
  sessionId: string
  personId: string
  role: Role
  personEndedAt: Date | null
  deviceHash: string
  lastUsedAt: Date
  endsAt: Date
  handedPersonId: string | null
  handedShotId: string | null
}

const DIGEST = /^[\w-]+$/

/**
 * Runs `work` in one transaction that sees only the academy of a session, which is told with it; null where it is none.
 * Every request goes this way, so that beginning, naming and looking is one word to the database.
 * @param isRead nothing is written that anybody is told of: then what was read is told while the transaction still ends
 */
export async function asSession<T>(
  database: Database,
  sessionHash: string,
  work: (transaction: AcademyTransaction, found: FoundSession | null) => Promise<T>,
  { isRead = false } = {},
): Promise<T> {
  // Several statements at once take no values apart: what is put in is a digest of our own.
  if (!DIGEST.test(sessionHash)) throw new Error('A session is known by its digest.')
  const begin = async (client: pg.PoolClient) => {
    const results: unknown = await client.query(`begin; select * from come_in('${sessionHash}')`)
    return foundIn(results)
  }
  return inTransaction(database, { whose: `session ${sessionHash}`, begin, isRead }, work)
}

/** As `come_in` tells it. */
interface FoundRow {
  academy_id: string
  session_id: string
  person_id: string
  role: Role
  person_ended_at: Date | null
  device_hash: string
  last_used_at: Date
  ends_at: Date
  handed_person_id: string | null
  handed_shot_id: string | null
}

function foundIn(results: unknown): FoundSession | null {
  // Of several statements the driver gives a result each, which its types don't say.
  const [, told] = results as readonly pg.QueryResult<FoundRow>[]
  const row = told?.rows[0]
  return row === undefined
    ? null
    : {
        academyId: row.academy_id,
        sessionId: row.session_id,
        personId: row.person_id,
        role: row.role,
        personEndedAt: row.person_ended_at,
        deviceHash: row.device_hash,
        lastUsedAt: row.last_used_at,
        endsAt: row.ends_at,
        handedPersonId: row.handed_person_id,
        handedShotId: row.handed_shot_id,
      }
}

const TRIES = 3

interface Begun<First> {
  whose: string
  begin: (client: pg.PoolClient) => Promise<First>
  isRead?: boolean
}

/** One transaction, when its turn has come; where two wait for each other the one that was given up is done again. */
async function inTransaction<First, T>(
  database: Database,
  begun: Begun<First>,
  work: (transaction: AcademyTransaction, first: First) => Promise<T>,
): Promise<T> {
  for (let attempt = 1; ; attempt += 1) {
    try {
      return await database.turns.take(begun.whose, () => transact(database.$client, begun, work))
    } catch (error) {
      if (attempt >= TRIES || !isLostRace(error)) throw error
    }
  }
}

async function transact<First, T>(
  pool: pg.Pool,
  { begin, isRead = false }: Begun<First>,
  work: (transaction: AcademyTransaction, first: First) => Promise<T>,
): Promise<T> {
  const client = await pool.connect()
  try {
    const done = await work(
      Object.assign(drizzle(client), { isTransaction: true as const }),
      await begin(client),
    )
    const ended = client.query('commit').then(() => client.release())
    // A connection that breaks as a read ends is not given to the next one; what was read was read.
    if (isRead) void ended.catch(() => client.release(true))
    else await ended
    return done
  } catch (error) {
    // A connection that can't even roll back is not given to the next one.
    await client.query('rollback').then(
      () => client.release(),
      () => client.release(true),
    )
    throw error
  }
}
