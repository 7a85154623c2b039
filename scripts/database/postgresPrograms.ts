import { existsSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { installDebianPackage } from '../machine/debianPackages.ts'
import { PlainFailure } from '../machine/plainFailure.ts'

const INSTALLED_UNDER = '/usr/lib/postgresql'

/** The folder of the newest installed PostgreSQL server's programs and its major version. */
export interface PostgresPrograms {
  binFolder: string
  major: string
}

/**
 * Finds PostgreSQL's server programs, installing them where that is allowed.
 * @throws {PlainFailure} when there are none and none can be installed
 */
export function ensurePostgres(): PostgresPrograms {
  const found = newestInstalled()
  if (found) return found
  installDebianPackage('postgresql', 'The PostgreSQL server')
  const installed = newestInstalled()
  if (installed) return installed
  throw new PlainFailure(
    `PostgreSQL was installed, but not under ${INSTALLED_UNDER}. Give its address in DATABASE_URL instead.`,
  )
}

function newestInstalled(): PostgresPrograms | null {
  if (!existsSync(INSTALLED_UNDER)) return null
  const majors = readdirSync(INSTALLED_UNDER)
    .filter((major) => existsSync(join(INSTALLED_UNDER, major, 'bin', 'initdb')))
    .sort((a, b) => Number(b) - Number(a))
  const major = majors[0]
  return major === undefined ? null : { binFolder: join(INSTALLED_UNDER, major, 'bin'), major }
}
