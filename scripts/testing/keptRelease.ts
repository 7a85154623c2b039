import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { ensurePostgres } from '../database/postgresPrograms.ts'
import { distFolder } from '../machine/checkout.ts'
import { run } from '../machine/run.ts'

/** Packs the built page, without what is only a packed copy of another of its files. */
export function packPage(file: string): void {
  const without = ['*.br', '*.gz', '*.map'].map((each) => `--exclude=${each}`)
  run('tar', ['-czf', file, ...without, '-C', distFolder(), 'web'], 'The page could not be packed.')
}

/** Unpacks a page into a folder; returns where it lies. */
export function unpackPage(file: string, folder: string): string {
  run('tar', ['-xzf', file, '-C', folder], 'The page could not be unpacked.')
  return join(folder, 'web')
}

/** Writes all that a database holds into a file, anew. */
export function dumpInto(file: string, databaseUrl: string): void {
  rmSync(file, { force: true })
  const args = ['--format=custom', '--no-owner', '--no-privileges', `--file=${file}`, '-d', databaseUrl]
  run(join(ensurePostgres().binFolder, 'pg_dump'), args, 'The records could not be kept.')
}

/** Puts what a file holds into a database that is empty. */
export function restoreFrom(file: string, databaseUrl: string): void {
  const args = ['--exit-on-error', '--no-owner', '--no-privileges', '-d', databaseUrl, file]
  run(join(ensurePostgres().binFolder, 'pg_restore'), args, 'The kept records could not be restored.')
}
