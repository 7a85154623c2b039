import { join } from 'node:path'
import { backUpBeforeMigration } from './backing/beforeMigration.ts'
import { buildIfChanged } from './building/build.ts'
import { type Cluster, startCluster } from './database/cluster.ts'
import { asTheOnlyStart } from './database/oneStart.ts'
import { type DatabaseUrls, ensureDatabase } from './database/roles.ts'
import { DATABASE } from './database/withDatabase.ts'
import { CHECKOUT } from './machine/checkout.ts'
import { ensureDiskSpace } from './machine/disk.ts'
import { PlainFailure, runMain } from './machine/plainFailure.ts'
import { type PortState, portState } from './machine/ports.ts'
import { type RunningStandIns, loadDemo, migrate, startServer, startStandIns } from './serving.ts'
import { type StartSettings, readStartSettings, warningsFor } from './startSettings.ts'

const ALREADY_RUNNING =
  'Calm Apron is already running on this data folder. Stop that one first, or give this one another with CALM_APRON_DATA=/some/folder.'

/** Ctrl-C at any moment, even before the server is up, must leave nothing running. */
const stopAsked = listenForStop()

function listenForStop(): AbortSignal {
  const asked = new AbortController()
  process.on('SIGINT', () => asked.abort())
  process.on('SIGTERM', () => asked.abort())
  return asked.signal
}

const PORT_TROUBLE: Record<Exclude<PortState, 'free'>, (port: number, host: string) => string> = {
  taken: (port) =>
    `Port ${port} is taken: Calm Apron may be running already, or another program holds it. Stop that, or start with another, such as "PORT=${port + 1} npm start".`,
  'not-allowed': (port) =>
    `This user may not listen on port ${port}; start with one above 1023, such as "PORT=4180 npm start".`,
  'no-such-host': (_port, host) =>
    `HOST is "${host}", which is no address of this machine; leave it out, or use 0.0.0.0 for every one of them.`,
}

async function ensurePortFree({ port, host }: StartSettings): Promise<void> {
  const state = await portState(port, host)
  if (state !== 'free') throw new PlainFailure(PORT_TROUBLE[state](port, host))
}

async function serveOnPrivateDatabase(settings: StartSettings): Promise<void> {
  const cluster = await startCluster(settings.dataFolder)
  console.log(`Data: ${cluster.folder}`)
  // Of two starts on one data folder the second must not stop the first one's database.
  let isAnothers = true
  try {
    await asTheOnlyStart(cluster, ALREADY_RUNNING, async () => {
      isAnothers = false
      await serve(settings, await ensureDatabase(cluster, settings.dataFolder, DATABASE))
    })
  } finally {
    stopUnless(isAnothers, cluster)
  }
}

/** What went wrong before matters more than that the database would not stop. */
function stopUnless(isAnothers: boolean, cluster: Cluster): void {
  if (isAnothers) return
  try {
    cluster.stop()
  } catch (error) {
    console.error(error instanceof PlainFailure ? error.message : error)
  }
}

/** The demo brings simulated devices one port further; where that is taken, it does without. */
async function standInsBeside({ port }: StartSettings): Promise<RunningStandIns | null> {
  const devicePort = port + 1
  if (devicePort > 65_535 || (await portState(devicePort, '127.0.0.1')) !== 'free') return null
  return startStandIns(devicePort)
}

/** What a newer release changes in the database can be gone back from. */
async function bringUpToDate(urls: DatabaseUrls, { dataFolder }: StartSettings): Promise<void> {
  const file = await backUpBeforeMigration(urls.ownerUrl, dataFolder)
  if (file !== null) console.log(`Backed up before the database is brought up to date: ${file}`)
  migrate(urls)
}

async function serve(settings: StartSettings, urls: DatabaseUrls): Promise<void> {
  if (urls.ownerUrl !== '') await bringUpToDate(urls, settings)
  const { host, port, withDemo, publicOrigin, isTls } = settings
  if (withDemo) await loadDemo(urls.appUrl, true)
  const server = await startServer({
    host,
    port,
    appUrl: urls.appUrl,
    demoSignIn: withDemo,
    isTls,
    ...(publicOrigin !== null && { publicOrigin }),
  })
  const standIns = withDemo ? await standInsBeside(settings) : null
  const stop = () => server.process.kill('SIGTERM')
  stopAsked.addEventListener('abort', stop)
  if (stopAsked.aborted) stop()
  for (const warning of warningsFor(settings)) console.log(`\n${warning}`)
  if (standIns)
    console.log(`\nA simulated scale and its like: ${standIns.url} (choose it under Settings, Devices).`)
  console.log(`\nCalm Apron is ready: ${server.url}\nStop it with Ctrl-C.`)
  const code = await server.gone
  standIns?.process.kill('SIGTERM')
  if (code !== 0)
    throw new PlainFailure(
      stopAsked.aborted
        ? `Stopped, but the server did not end cleanly (code ${code}); its last words are above.`
        : `The server ended unexpectedly (code ${code}); its last words are above.`,
    )
  console.log('Stopped.')
}

await runMain(async () => {
  const settings = readStartSettings(process.env, join(CHECKOUT, 'data'), process.argv.slice(3))
  await ensureDiskSpace(CHECKOUT)
  await ensurePortFree(settings)
  await buildIfChanged()
  if (settings.outside) await serve(settings, settings.outside)
  else await serveOnPrivateDatabase(settings)
})
