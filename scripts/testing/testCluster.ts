import { chmodSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type Cluster, startCluster } from '../database/cluster.ts'
import { ensureDatabase } from '../database/roles.ts'
import { loadDemo, migrate } from '../serving.ts'

const PREFIX = 'calm-apron-test-'
const NAME_IN_URL = 'TEMPLATE'

/** How to reach a database of the test cluster as each role; `TEMPLATE` stands where its name goes. */
export interface TestUrls {
  superuser: string
  owner: string
  app: string
}

/** Databases to copy from: migrated and empty, or with the demo academy. */
export const TEMPLATES = { empty: 'empty_template', demo: 'demo_template' } as const

const VARIABLE = 'CALM_APRON_TEST_URLS'

/**
 * Starts a PostgreSQL of the tests' own in a temporary folder, with the templates made, and tells later processes
 * of it through the environment. The build must be there.
 */
export async function startTestCluster(hasHalfYear = false): Promise<{ stop: () => void }> {
  sweepLeftovers()
  const folder = mkdtempSync(join(tmpdir(), `${PREFIX}${process.pid}-`))
  // The database's own user must be able to walk through it.
  chmodSync(folder, 0o755)
  // What is thrown away need not outlive a power cut, unless that is what is tried.
  const cluster = await startCluster(folder, process.env['CALM_APRON_DURABLE'] === 'yes')
  const stop = () => {
    cluster.stop()
    rmSync(folder, { recursive: true, force: true })
  }
  try {
    process.env[VARIABLE] = JSON.stringify(await makeTemplates(cluster, folder, hasHalfYear))
  } catch (error) {
    stop()
    throw error
  }
  return { stop }
}

async function makeTemplates(cluster: Cluster, folder: string, hasHalfYear: boolean): Promise<TestUrls> {
  for (const name of Object.values(TEMPLATES)) {
    const urls = await ensureDatabase(cluster, folder, name)
    migrate(urls)
    if (name === TEMPLATES.demo) await loadDemo(urls.appUrl, hasHalfYear)
  }
  const { ownerUrl, appUrl } = await ensureDatabase(cluster, folder, TEMPLATES.empty)
  const withName = (url: string) => url.replace(new RegExp(`/${TEMPLATES.empty}$`), `/${NAME_IN_URL}`)
  return { superuser: cluster.superuserUrl(NAME_IN_URL), owner: withName(ownerUrl), app: withName(appUrl) }
}

/** Folders of runs that were killed; a postmaster among them ends itself once its folder is gone. */
function sweepLeftovers(): void {
  for (const name of readdirSync(tmpdir()).filter((each) => each.startsWith(PREFIX))) {
    const pid = Number(name.slice(PREFIX.length).split('-')[0])
    if (!isAlive(pid)) rmSync(join(tmpdir(), name), { recursive: true, force: true })
  }
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0)
    return true
  } catch {
    return false
  }
}

/** The test cluster that the run was started with. */
export function testUrls(): TestUrls {
  const text = process.env[VARIABLE]
  if (!text) throw new Error('There is no test cluster; run the tests through npm.')
  return JSON.parse(text) as TestUrls
}

/** The url of one database of the test cluster. */
export function urlOf(role: keyof TestUrls, database: string): string {
  return testUrls()[role].replace(NAME_IN_URL, database)
}
