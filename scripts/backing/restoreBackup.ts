import { join } from 'node:path'
import { ensurePostgres } from '../database/postgresPrograms.ts'
import type { DatabaseUrls } from '../database/roles.ts'
import { withClient } from '../database/withClient.ts'
import { run } from '../machine/run.ts'
import { migrate } from '../serving.ts'
import { eraseAgain, listErasures, readEverything } from './rows.ts'
import { type Erasure, erasuresBeside, readSidecar } from './sidecar.ts'
import { restoreOnTrial } from './trial.ts'

/**
 * Puts a backup in the place of what a database holds now, all or nothing, brings it up to the newest schema, and
 * erases again whoever was erased since. Returns how many that were.
 * @throws {PlainFailure} when the backup is damaged or can't be restored; then everything stands as it stood
 */
export async function restoreBackup(urls: DatabaseUrls, dumpFile: string): Promise<{ erasedAgain: number }> {
  const sidecar = await readSidecar(dumpFile)
  await restoreOnTrial(dumpFile, sidecar)
  const erasures = [...(await erasuresNow(urls.ownerUrl)), ...erasuresBeside(dumpFile)]
  run(
    join(ensurePostgres().binFolder, 'pg_restore'),
    ['--clean', '--if-exists', '--single-transaction', '--no-privileges', '-d', urls.ownerUrl, dumpFile],
    'The backup could not be restored; everything stands as it stood.',
  )
  migrate(urls)
  return { erasedAgain: await withClient(urls.ownerUrl, (client) => eraseAgain(client, erasures)) }
}

/** Of a database that holds nothing yet, none. */
async function erasuresNow(ownerUrl: string): Promise<Erasure[]> {
  return withClient(ownerUrl, async (client) => {
    const { rows } = await client.query<{ is_there: boolean }>(
      `select exists (select from information_schema.columns where table_schema = 'public' and table_name = 'person' and column_name = 'erased_at') as is_there`,
    )
    if (!rows[0]?.is_there) return []
    await readEverything(client)
    return listErasures(client)
  })
}
