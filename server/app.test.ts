import { problem, today } from '@calm-apron/contract'
import { DEMO, type TestServer, newId, serveTest, shotOf, somebody } from './testing/serve.ts'

let server: TestServer
beforeAll(async () => {
  server = await serveTest()
})
afterAll(() => server.stop())

test('Today tells the academy as it was loaded', async () => {
  const head = await server.as(somebody('head'))
  const answer = await head.get('/api/v1/today').expect(200)
  const { academy, people, recipes, coffees, bars } = today.parse(answer.body)
  expect(academy).toEqual(DEMO.academy)
  expect(people.map(({ personId }) => personId).sort()).toEqual(
    DEMO.people.map(({ personId }) => personId).sort(),
  )
  const told = (kind: string) => DEMO.prepared.filter(({ thing }) => thing.kind === kind).length
  expect(recipes).toHaveLength(told('recipe'))
  expect(coffees.flatMap(({ bags }) => bags)).toHaveLength(told('bag'))
  expect(bars.flatMap(({ vessels }) => vessels)).toHaveLength(told('vessel'))
})

test('security headers are on every answer', async () => {
  const { headers } = await server.http.get('/healthz').expect(200)
  expect(headers['content-security-policy']).toContain("script-src 'self';")
  expect(headers['content-security-policy']).toContain("frame-ancestors 'none'")
  expect(headers).toMatchObject({ 'x-content-type-options': 'nosniff', 'referrer-policy': 'no-referrer' })
  expect(headers['x-powered-by']).toBeUndefined()
})

test('the OpenAPI document is served, and API answers are not cached', async () => {
  const answer = await server.http.get('/api/v1/openapi.json').expect(200)
  expect(answer.body).toMatchObject({
    openapi: '3.1.0',
    paths: { '/shots/{shotId}': { put: expect.anything() } },
  })
  expect(answer.headers['cache-control']).toBe('no-store')
})

test('when the database goes away: 503 with a sentence; when it is back, so are we', async () => {
  const own = await serveTest({ hasLine: true })
  await own.http.get('/readyz').expect(200)
  await own.database.cut()
  const shotId = newId()
  const answer = await own.http.put(`/api/v1/shots/${shotId}`).send(shotOf()).expect(503)
  expect(problem.parse(answer.body)).toMatchObject({
    code: 'database-down',
    detail: expect.stringContaining('Nothing was stored'),
  })
  expect(answer.headers['retry-after']).toBe('2')
  await own.http.get('/readyz').expect(503)
  await own.http.get('/healthz').expect(200)
  await own.database.mend()
  await own.http.put(`/api/v1/shots/${shotId}`).send(shotOf()).expect(201)
  await own.stop()
})

test('a connection that breaks in the middle of a transaction ends that request, not the server', async () => {
  const own = await serveTest({ hasLine: true })
  const broken = own.house.database.transaction(async (transaction) => {
    await transaction.execute('select 1')
    await own.database.cut()
    // Once others are told so, the driver has heard of it while this transaction waits for nothing.
    await own.http.get('/readyz').expect(503)
    await transaction.execute('select 1')
  })
  await expect(broken).rejects.toThrow()
  await own.database.mend()
  await own.http.get('/api/v1/session').expect(200)
  await own.stop()
})
