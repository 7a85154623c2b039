import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { chmodSync, existsSync, mkdirSync } from 'node:fs'
import { basename, join } from 'node:path'
import { IS_ROOT, run } from '../machine/run.ts'

/** The user the database runs as when we are root, which it refuses to be. */
export const DATABASE_USER = 'postgres'

/**
 * The folder the cluster lives in: inside the data folder where the database's user can reach it, else one under
 * /var/lib named after this data folder.
 */
export function clusterFolderFor(dataFolder: string): string {
  mkdirSync(dataFolder, { recursive: true })
  const inside = join(dataFolder, 'postgres')
  if (!IS_ROOT) {
    if (!existsSync(inside)) mkdirSync(inside, { mode: 0o700 })
    return inside
  }
  const canReach = (folder: string) =>
    spawnSync('runuser', ['-u', DATABASE_USER, '--', 'test', '-x', folder], { cwd: '/' }).status === 0
  if (canReach(dataFolder)) return ownedByDatabaseUser(inside)
  const name = createHash('sha256').update(dataFolder).digest('hex').slice(0, 10)
  return ownedByDatabaseUser(join('/var/lib/calm-apron', `${basename(dataFolder)}-${name}`))
}

function ownedByDatabaseUser(folder: string): string {
  if (existsSync(folder)) return folder
  mkdirSync(folder, { recursive: true })
  chmodSync(folder, 0o700)
  run(
    'chown',
    [`${DATABASE_USER}:`, folder],
    `The folder ${folder} could not be given to the user ${DATABASE_USER}.`,
  )
  return folder
}
