import { freePort } from '../machine/ports.ts'
import { type RunningServer, type RunningStandIns, startServer, startStandIns } from '../serving.ts'
import type { TEMPLATES } from './testCluster.ts'
import { type TestDatabase, createTestDatabase } from './testDatabase.ts'

/** A compiled server on a port and a database of its own. */
export interface TestApp {
  url: string
  /** Of the server's process. */
  pid: () => number
  database: TestDatabase
  /** Ends the server at once, as a power cut would. */
  kill: () => Promise<void>
  /** Asks the server to stop, and waits until it has; resolves with its exit code. */
  stop: () => Promise<number | null>
  /** Starts one more server on the same data. */
  beside: () => Promise<{ url: string; stop: () => Promise<number | null> }>
  /** Starts it again on the same port and data. */
  restart: () => Promise<void>
  /** Ends the server and removes its database. */
  remove: () => Promise<void>
}

/** Starts an app of a test's own; `hasLine` where the test cuts it off from its database. */
export async function startTestApp(
  template: keyof typeof TEMPLATES = 'demo',
  hasLine = false,
): Promise<TestApp> {
  const database = await createTestDatabase(template, hasLine)
  const settings = {
    host: '127.0.0.1',
    port: await freePort(),
    appUrl: database.appUrl,
    logLevel: 'error',
    demoSignIn: template === 'demo',
  }
  let server = await startServer(settings)
  const more: RunningServer[] = []
  const kill = async () => {
    for (const each of [server, ...more]) {
      each.process.kill('SIGKILL')
      await each.gone
    }
  }
  const stopped = (each: RunningServer) => {
    each.process.kill('SIGTERM')
    return each.gone
  }
  return {
    url: server.url,
    pid: () => server.process.pid ?? 0,
    database,
    kill,
    stop: () => stopped(server),
    beside: async () => {
      const one = await startServer({ ...settings, port: await freePort() })
      more.push(one)
      return { url: one.url, stop: () => stopped(one) }
    },
    restart: async () => {
      server = await startServer(settings)
    },
    remove: async () => {
      await kill()
      await database.remove()
    },
  }
}

/** Simulated devices of a test's own, `pace` times as fast as life. */
export async function startTestStandIns(pace: number): Promise<RunningStandIns> {
  return startStandIns(await freePort(), pace)
}
