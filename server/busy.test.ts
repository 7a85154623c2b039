import type { Express } from 'express'
import { TURNS } from './database/pool.ts'
import { type Turns, fairTurns } from './database/turns.ts'
import { type TestServer, serveTest } from './testing/serve.ts'
import { type Somebody, worldIn } from './testing/world.ts'

let server: TestServer
let greedy: Somebody
let other: Somebody
beforeAll(async () => {
  server = await serveTest()
  const world = worldIn(server.house)
  greedy = await world.make('trainer')
  other = await world.make('trainer')
})
afterAll(async () => {
  await server.stop()
})

/** The same app, with other turns at the database. */
function withTurns(turns: Turns): Express {
  return server.appWith({ database: Object.assign(Object.create(server.house.database), { turns }) })
}

test('one who asks three hundred times at once is held up by themselves; whoever else asks is answered', async () => {
  // However slow the machine, a turn comes in time.
  const app = withTurns(fairTurns({ ...TURNS, within: 600_000 }))
  const asked = Array.from({ length: 300 }, () => server.of(greedy, app).get('/api/v1/today'))
  const flood = asked.map((each) =>
    each.then(({ status, headers }) => ({ status, after: headers['retry-after'] })),
  )
  const others = await Promise.all(
    Array.from({ length: 20 }, () => server.of(other, app).get('/api/v1/today')),
  )
  expect(others.map(({ status }) => status)).toEqual(others.map(() => 200))
  const told = await Promise.all(flood)
  expect(new Set(told.map(({ status }) => status))).toEqual(new Set([200, 503]))
  for (const { status, after } of told) if (status === 503) expect(Number(after)).toBeGreaterThan(0)
})

test('a statement that takes too long is no outage: nobody is told to ask again at once', async () => {
  const { database } = server.house
  const isSlow = () =>
    database.$client
      .query('set statement_timeout = 1; select pg_sleep(5)')
      .then(() => Promise.reject(new Error('slept')))
  const answer = await server
    .of(other, withTurns({ take: isSlow }))
    .get('/api/v1/today')
    .expect(504)
  expect(answer.body).toMatchObject({ code: 'took-too-long' })
  expect(answer.headers['retry-after']).toBeUndefined()
})
