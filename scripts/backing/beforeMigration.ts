import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { withClient } from '../database/withClient.ts'
import { distFolder } from '../machine/checkout.ts'
import { dumpName } from './dumpName.ts'
import { makeBackup } from './makeBackup.ts'

/**
 * Backs a database up before its schema is brought up to date, where that is still to be done; returns the file, or null
 * where there was nothing to do, or nothing in it yet.
 * @throws {PlainFailure} when it can't be backed up; then it is not touched
 */
export async function backUpBeforeMigration(ownerUrl: string, dataFolder: string): Promise<string | null> {
  const done = await migrationsDone(ownerUrl)
  if (done === 0 || done >= migrationsKnown()) return null
  const file = join(dataFolder, 'backups', `before-migration-${dumpName(new Date())}`)
  await makeBackup(ownerUrl, file)
  return file
}

function migrationsKnown(): number {
  const journal = readFileSync(join(distFolder(), 'server/migrations/meta/_journal.json'), 'utf8')
  return (JSON.parse(journal) as { entries: unknown[] }).entries.length
}

async function migrationsDone(ownerUrl: string): Promise<number> {
  return withClient(ownerUrl, async (client) => {
    const { rows } = await client.query<{ is_there: boolean }>(
      `select to_regclass('drizzle.__drizzle_migrations') is not null as is_there`,
    )
    if (!rows[0]?.is_there) return 0
    const counted = await client.query<{ n: number }>(
      'select count(*)::int as n from drizzle.__drizzle_migrations',
    )
    return counted.rows[0]?.n ?? 0
  })
}
