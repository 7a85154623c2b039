import { type ChildProcess, spawn, spawnSync } from 'node:child_process'
import { once } from 'node:events'
import { get as httpGet } from 'node:http'
import { get as httpsGet } from 'node:https'
import { join } from 'node:path'
import { json, text } from 'node:stream/consumers'
import type { DatabaseUrls } from './database/roles.ts'
import { withClient } from './database/withClient.ts'
import { addressOf } from './machine/address.ts'
import { distFolder } from './machine/checkout.ts'
import { PlainFailure } from './machine/plainFailure.ts'

const READY_WITHIN_MS = 30_000
const LOOK_EVERY_MS = 60

/** Brings the schema up to date as its owner. */
export function migrate(urls: DatabaseUrls): void {
  const { status, stderr } = spawnSync(process.execPath, built('server/migrate.js', []), {
    env: { ...process.env, DATABASE_OWNER_URL: urls.ownerUrl, DATABASE_URL: urls.appUrl },
    encoding: 'utf8',
  })
  refuseFailed({ code: status, complained: stderr }, 'The database could not be migrated.')
}

/**
 * Loads the demo academy unless it is there; to ask takes no time, to make it takes most of a second.
 * @param hasHalfYear whether half a year lies behind it, which takes two seconds more; stories keep a small one
 */
export async function loadDemo(appUrl: string, hasHalfYear = false): Promise<void> {
  if (await hasDemo(appUrl)) return
  // One makes it while the other gets ready to load it.
  const making = spawn(process.execPath, built('demo/print.js', hasHalfYear ? ['half-year'] : []), {
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  const loading = spawn(process.execPath, built('server/importAcademy.js', ['--demo']), {
    env: { ...process.env, DATABASE_URL: appUrl },
    stdio: [making.stdout, 'ignore', 'pipe'],
  })
  const [made, loaded] = await Promise.all([endOf(making), endOf(loading)])
  refuseFailed(made, 'The demo academy could not be made.')
  refuseFailed(loaded, 'The demo academy could not be loaded.')
}

/** How a program ended, and what it complained of. */
interface Ended {
  code: number | null
  complained: string
}

async function endOf(program: ChildProcess): Promise<Ended> {
  const complained = program.stderr === null ? Promise.resolve('') : text(program.stderr)
  const [code] = (await once(program, 'exit')) as [number | null]
  return { code, complained: await complained }
}

async function hasDemo(appUrl: string): Promise<boolean> {
  return withClient(appUrl, async (client) => {
    const { rows } = await client.query<{ id: string | null }>(`SELECT academy_behind('demo', '') AS id`)
    return rows[0]?.id != null
  })
}

function refuseFailed({ code, complained }: Ended, otherwise: string): void {
  if (code === 0) return
  const words = complained.split('\n').find((line) => /error/i.test(line)) ?? complained
  throw new PlainFailure(`${otherwise} (${words.trim()})`)
}

const built = (program: string, args: string[]) => [
  '--enable-source-maps',
  join(distFolder(), program),
  ...args,
]

export interface ServerSettings {
  host: string
  port: number
  appUrl: string
  logLevel?: string
  /** Whether the made-up academy's people may be come in as without a password. */
  demoSignIn: boolean
  /** Where browsers reach it, when that is not its own address. */
  publicOrigin?: string
  isTls?: boolean
}

/** A server process that answers that it is ready. */
export interface RunningServer {
  process: ChildProcess
  url: string
  /** Resolves when the process is gone, with its exit code. */
  gone: Promise<number | null>
}

/**
 * Starts the compiled server and waits until it is ready.
 * @throws {PlainFailure} when it ends, or isn't ready in time; it says why
 */
export async function startServer({
  host,
  port,
  appUrl,
  logLevel = 'warn',
  demoSignIn,
  publicOrigin = '',
  isTls = false,
}: ServerSettings): Promise<RunningServer> {
  const child = spawn(process.execPath, ['--enable-source-maps', join(distFolder(), 'server/main.js')], {
    env: {
      ...process.env,
      HOST: host,
      PORT: String(port),
      DATABASE_URL: appUrl,
      WEB_FOLDER: join(distFolder(), 'web'),
      LOG_LEVEL: logLevel,
      DEMO_SIGN_IN: demoSignIn ? 'yes' : 'no',
      PUBLIC_ORIGIN: publicOrigin,
      NODE_ENV: 'production',
    },
    // The channel tells the server when we are gone, however we went.
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
  })
  const gone = new Promise<number | null>((resolve) => child.once('exit', (code) => resolve(code)))
  const url = addressOf({ host, port, isTls })
  const failure = await Promise.race([
    waitUntilReady(url),
    gone.then((code) => `the server ended by itself with code ${code}.`),
  ])
  if (failure === null) return { process: child, url: publicOrigin || url, gone }
  child.kill()
  throw new PlainFailure(`Calm Apron did not become ready: ${failure}`)
}

async function waitUntilReady(url: string): Promise<string | null> {
  const until = Date.now() + READY_WITHIN_MS
  let why = 'it did not answer.'
  while (Date.now() < until) {
    try {
      const { code, detail, status } = await ask(`${url}/readyz`)
      if (status === 'ready') return null
      why = detail ?? why
      // What it says then, waiting won't mend.
      if (code === 'not-ready') return why
    } catch (error) {
      why = error instanceof Error ? error.message : why
    }
    await new Promise((resolve) => setTimeout(resolve, LOOK_EVERY_MS))
  }
  return why
}

interface Told {
  status?: unknown
  code?: string
  detail?: string
}

/** Asks our own server, whose certificate may be one that only its users trust. */
async function ask(url: string): Promise<Told> {
  const get = url.startsWith('https:') ? httpsGet : httpGet
  return new Promise((resolve, reject) => {
    get(url, { rejectUnauthorized: false }, (answer) => {
      json(answer).then((told) => resolve(told as Told), reject)
    }).once('error', reject)
  })
}

/** Simulated devices on loopback, as a process of their own. */
export interface RunningStandIns {
  process: ChildProcess
  url: string
}

/**
 * Starts the simulated scale and the rest.
 * @param pace how many seconds of their clock pass in one of ours
 * @throws {PlainFailure} with their last words, when they can't listen there
 */
export async function startStandIns(port: number, pace = 1): Promise<RunningStandIns> {
  const child = spawn(process.execPath, ['--enable-source-maps', join(distFolder(), 'devices/main.js')], {
    env: { ...process.env, DEVICE_PORT: String(port), DEVICE_PACE: String(pace) },
    stdio: ['ignore', 'pipe', 'pipe', 'ipc'],
  })
  let words = ''
  const url = await new Promise<string>((resolve, reject) => {
    const hear = (said: Buffer) => {
      words += said.toString()
      const found = /"url":"([^"]+)"/.exec(words)?.[1]
      if (found !== undefined) resolve(found)
    }
    child.stdout?.on('data', hear)
    child.stderr?.on('data', hear)
    child.once('exit', () => reject(new PlainFailure(`The simulated devices ended: ${words.slice(-300)}`)))
  })
  return { process: child, url }
}
