import { connect } from 'node:net'
import { LIVE_LINE_PATH } from '@calm-apron/contract'
import { type TestApp, startTestApp } from '@calm-apron/scripts/testing'
import pg from 'pg'
import { comeInAt } from './testing/comeInAt.ts'

let app: TestApp
beforeAll(async () => {
  app = await startTestApp('demo')
})
afterAll(() => app.remove())

/** A request that says more will come than it sends, and stays. */
async function halfRequest(cookie: string): Promise<void> {
  const { hostname, port } = new URL(app.url)
  const line = connect(Number(port), hostname)
  line.on('error', () => undefined)
  await new Promise<void>((resolve) =>
    line.write(
      `PUT /api/v1/shots/x HTTP/1.1\r\nHost: ${hostname}\r\nCookie: ${cookie}\r\nContent-Type: application/json\r\nContent-Length: 900\r\n\r\n{"a"`,
      () => resolve(),
    ),
  )
}

test('a line that is kept alive outlasts a proxy’s, so that none is closed just as a request is sent on it', async () => {
  const answer = await fetch(`${app.url}/healthz`)
  const [, seconds = '0'] = /timeout=(\d+)/.exec(answer.headers.get('keep-alive') ?? '') ?? []
  expect(Number(seconds)).toBeGreaterThan(60)
})

test('asked to stop, the server is gone before a stuck statement would be given up, whatever hangs', async () => {
  const { cookie, api } = await comeInAt(app.url, 'trainer')
  const lines = await Promise.all(Array.from({ length: 5 }, () => api(LIVE_LINE_PATH)))
  expect(lines.map(({ status }) => status)).toEqual(Array(5).fill(200))
  await halfRequest(cookie)
  const owner = new pg.Client({ connectionString: app.database.ownerUrl })
  await owner.connect()
  await owner.query('begin; lock table shot in access exclusive mode')
  const stuck = api('/shots?limit=1').then(
    () => 'answered',
    () => 'broken off',
  )
  // Until it waits for the lock in the database, nothing hangs.
  while ((await owner.query(`select from pg_locks where not granted`)).rowCount === 0)
    await new Promise(setImmediate)
  const startMs = performance.now()
  await app.stop()
  // Ten seconds are what a statement may take; a server that waits for what hangs needs them, or never ends.
  expect(performance.now() - startMs).toBeLessThan(9000)
  expect(await stuck).toBe('broken off')
  await owner.end()
})
