import type pg from 'pg'
import { type Cluster } from './cluster.ts'
import { PlainFailure } from '../machine/plainFailure.ts'
import { asSuperuser } from './roles.ts'

// Held for as long as a start runs on a cluster, and let go by the database itself however that start ends.
const ONE_START_LOCK = 4_180_002

/**
 * Runs `work` as the only one who serves, or replaces, what is on a cluster.
 * @throws {PlainFailure} saying `otherwise` when someone else does
 */
export async function asTheOnlyStart<T>(
  cluster: Cluster,
  otherwise: string,
  work: () => Promise<T>,
): Promise<T> {
  return asSuperuser(cluster, 'postgres', async (lockHolder: pg.Client) => {
    const { rows } = await lockHolder.query<{ free: boolean }>('select pg_try_advisory_lock($1) as free', [
      ONE_START_LOCK,
    ])
    if (!rows[0]?.free) throw new PlainFailure(otherwise)
    // A database that goes away is reported by whoever works with it; here it only ends the lock.
    lockHolder.on('error', () => undefined)
    return work()
  })
}
