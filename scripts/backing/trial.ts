import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startCluster } from '../database/cluster.ts'
import { ensurePostgres } from '../database/postgresPrograms.ts'
import { asSuperuser } from '../database/roles.ts'
import { withClient } from '../database/withClient.ts'
import { PlainFailure } from '../machine/plainFailure.ts'
import { run } from '../machine/run.ts'
import { countRows, readEverything } from './rows.ts'
import type { Sidecar } from './sidecar.ts'

const TRIAL = 'calm_apron_trial'

/**
 * Restores a backup into a database that exists only for that, and counts the rows of every table.
 * @throws {PlainFailure} when it can't be restored, or a table has another number of rows than was noted
 */
export async function restoreOnTrial(
  dumpFile: string,
  { rows, owner }: Pick<Sidecar, 'rows' | 'owner'>,
): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'calm-apron-trial-'))
  // The database's own user must be able to walk through it.
  chmodSync(folder, 0o755)
  const cluster = await startCluster(folder, false)
  try {
    await asSuperuser(cluster, 'postgres', async (client) => {
      await client.query(`create role ${client.escapeIdentifier(owner)}`)
      await client.query(`create database ${TRIAL} owner ${client.escapeIdentifier(owner)}`)
    })
    const url = cluster.superuserUrl(TRIAL)
    run(
      join(ensurePostgres().binFolder, 'pg_restore'),
      ['--exit-on-error', '--no-privileges', '-d', url, dumpFile],
      'The backup could not be restored on trial.',
    )
    await withClient(url, async (client) => {
      await readEverything(client)
      compare(rows, await countRows(client))
    })
  } finally {
    cluster.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}

function compare(noted: Readonly<Record<string, number>>, found: Readonly<Record<string, number>>): void {
  const names = new Set([...Object.keys(noted), ...Object.keys(found)])
  const apart = [...names].filter((name) => noted[name] !== found[name])
  if (apart.length === 0) return
  const words = apart.map(
    (name) => `${name}: ${found[name] ?? 'no such table'} in place of ${noted[name] ?? 'none'}`,
  )
  throw new PlainFailure(`The backup does not hold what was noted of it: ${words.join(', ')}.`)
}
