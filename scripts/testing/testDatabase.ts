import { randomBytes } from 'node:crypto'
import type pg from 'pg'
import { withClient } from '../database/withClient.ts'
import { dumpInto, restoreFrom } from './keptRelease.ts'
import { type Line, openLine } from './line.ts'
import { copyAcademy, forgetAccounts } from './storyAcademy.ts'
import { TEMPLATES, urlOf } from './testCluster.ts'

/** A database of a test's own. */
export interface TestDatabase {
  ownerUrl: string
  appUrl: string
  /** Past row security and foreign keys, for what fills it with more than any test could record. */
  superuserUrl: string
  /** Breaks every connection of the app and refuses new ones, as a database that is gone does; only of one that was asked for with a line. */
  cut: () => Promise<void>
  mend: () => Promise<void>
  /** Copies an academy that is in it under another id. */
  copyAcademy: (copy: { from: string; to: string; tag: string }) => Promise<void>
  /** Takes its passwords from an academy. */
  forgetAccounts: (academyId: string) => Promise<void>
  /** Runs statements as its owner, as a migration does. */
  asOwner: (statements: string) => Promise<void>
  /** Puts what such a file holds in the place of all that is in it. */
  holdInstead: (file: string) => Promise<void>
  /** Ends one of its database's processes as a crash would; the others stop with it, and it comes back by itself. */
  crash: () => Promise<void>
  /** Writes all that is in it into a file. */
  keepAs: (file: string) => void
  remove: () => Promise<void>
}

/**
 * Copies a template of the test cluster.
 * @param hasLine whether the app reaches it over a line that can be cut; all of its traffic then goes through this process
 */
export async function createTestDatabase(
  template: keyof typeof TEMPLATES,
  hasLine = false,
): Promise<TestDatabase> {
  const name = `test_${randomBytes(6).toString('hex')}`
  const ownerUrl = urlOf('owner', name)
  await onCluster(
    `create database ${name} template ${TEMPLATES[template]} owner ${new URL(ownerUrl).username}`,
  )
  const asOwner = async (statements: string) => {
    await withClient(ownerUrl, (owner) => owner.query(statements))
  }
  const line = hasLine ? await lineTo(urlOf('app', name)) : null
  return {
    ownerUrl,
    superuserUrl: urlOf('superuser', name),
    appUrl: line?.url ?? urlOf('app', name),
    cut: () => (line ?? noLine()).cut(),
    mend: () => (line ?? noLine()).mend(),
    copyAcademy: (copy) => asSuperuser(name, (client) => copyAcademy(client, copy)),
    forgetAccounts: (academyId) => asSuperuser(name, (client) => forgetAccounts(client, academyId)),
    asOwner,
    holdInstead: async (file) => {
      await asOwner('drop schema public, drizzle, doors cascade; create schema public')
      restoreFrom(file, ownerUrl)
    },
    crash: () => crash(name),
    keepAs: (file) => dumpInto(file, urlOf('superuser', name)),
    remove: async () => {
      await line?.cut()
      await onCluster(`drop database ${name} with (force)`)
    },
  }
}

async function lineTo(address: string): Promise<Line & { url: string }> {
  const url = new URL(address)
  const line = await openLine(Number(url.port))
  url.port = String(line.port)
  return { ...line, url: url.href }
}

function noLine(): never {
  throw new Error('This database has no line of its own; ask for one.')
}

/** Its process may be this machine's alone: the tests' database always is. */
async function crash(database: string): Promise<void> {
  await asSuperuser('postgres', async (client) => {
    const { rows } = await client.query<{ pid: number }>(
      'select pid from pg_stat_activity where datname = $1 limit 1',
      [database],
    )
    const [backend] = rows
    if (backend === undefined) return
    // The connection that asked is lost with it.
    client.on('error', () => undefined)
    process.kill(backend.pid, 'SIGKILL')
  }).catch(() => undefined)
}

async function onCluster(statement: string): Promise<void> {
  await asSuperuser('postgres', (client) => client.query(statement))
}

function asSuperuser<T>(database: string, work: (client: pg.Client) => Promise<T>): Promise<T> {
  return withClient(urlOf('superuser', database), work)
}
