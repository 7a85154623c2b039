import { spawn } from 'node:child_process'
import { chmodSync, existsSync, mkdirSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { text } from 'node:stream/consumers'
import { ensurePostgres } from '../database/postgresPrograms.ts'
import { withClient } from '../database/withClient.ts'
import { PlainFailure } from '../machine/plainFailure.ts'
import { countRows, listErasures, readEverything } from './rows.ts'
import { type Sidecar, sha256Of, writeSidecar } from './sidecar.ts'
import { restoreOnTrial } from './trial.ts'

const OWNER_ONLY = 0o600

/**
 * Backs up one database while it is in use, notes what it holds, and proves by a trial restore that it can be had back.
 * @throws {PlainFailure} when any of that fails
 */
export async function makeBackup(ownerUrl: string, dumpFile: string): Promise<Sidecar> {
  if (existsSync(dumpFile)) throw new PlainFailure(`${dumpFile} is there already; name another file.`)
  mkdirSync(dirname(dumpFile), { recursive: true, mode: 0o700 })
  return withClient(ownerUrl, async (client) => {
    await readEverything(client)
    // What is counted and what is dumped are one moment's.
    await client.query('begin isolation level repeatable read read only')
    const { rows } = await client.query<{ snapshot: string; owner: string }>(
      'select pg_export_snapshot() as snapshot, current_user as owner',
    )
    const { snapshot = '', owner = '' } = rows[0] ?? {}
    const counted = await countRows(client)
    const erasures = await listErasures(client)
    await dump(ownerUrl, dumpFile, snapshot)
    chmodSync(dumpFile, OWNER_ONLY)
    const sidecar: Sidecar = {
      format: 'calm-apron-backup',
      version: 1,
      madeAt: new Date().toISOString(),
      sha256: await sha256Of(dumpFile),
      owner,
      rows: counted,
      erasures,
    }
    await restoreOnTrial(dumpFile, sidecar)
    writeSidecar(dumpFile, sidecar)
    return sidecar
  })
}

/** Not waited for by blocking: the snapshot's own connection must live on beside it. */
async function dump(ownerUrl: string, dumpFile: string, snapshot: string): Promise<void> {
  const program = join(ensurePostgres().binFolder, 'pg_dump')
  const args = [
    '--format=custom',
    '--enable-row-security',
    `--snapshot=${snapshot}`,
    `--file=${dumpFile}`,
    '-d',
    ownerUrl,
  ]
  const child = spawn(program, args, {
    env: { ...process.env, PGOPTIONS: '-c calm_apron.backup=yes' },
    stdio: ['ignore', 'ignore', 'pipe'],
  })
  const words = text(child.stderr)
  const code = await new Promise<number | null>((resolve, reject) => {
    child.once('error', reject)
    child.once('exit', (each) => resolve(each))
  })
  if (code !== 0) throw new PlainFailure(`The database could not be backed up. (${(await words).trim()})`)
}
