import { createServer } from 'node:http'
import { type AddressInfo, connect } from 'node:net'
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

test('an answer is packed as whoever asks can take it, and says the same', async () => {
  const head = await server.as(somebody('head'))
  const asked = async (encodings: string) => {
    const answer = await head
      .get('/api/v1/prepared?kind=recipe')
      .set('Accept-Encoding', encodings)
      .expect(200)
    expect(answer.headers['vary']).toContain('Accept-Encoding')
    return { packed: answer.headers['content-encoding'], body: answer.body as unknown }
  }
  const plain = await asked('identity')
  expect(plain).toMatchObject({ packed: undefined, body: { things: expect.any(Array) as unknown } })
  expect(await asked('gzip')).toEqual({ packed: 'gzip', body: plain.body })
  expect(await asked('br;q=0, gzip')).toEqual({ packed: 'gzip', body: plain.body })
  expect(await asked('gzip, br')).toEqual({ packed: 'br', body: plain.body })
  const short = await head
    .get('/api/v1/prepared?kind=tool&limit=1')
    .set('Accept-Encoding', 'gzip')
    .expect(200)
  expect(short.headers).not.toHaveProperty('content-encoding')
})

test('security headers are on every answer', async () => {
  const { headers } = await server.http.get('/healthz').expect(200)
  expect(headers['content-security-policy']).toContain("script-src 'self';")
  expect(headers['content-security-policy']).toContain("frame-ancestors 'none'")
  expect(headers).toMatchObject({ 'x-content-type-options': 'nosniff', 'referrer-policy': 'no-referrer' })
  expect(headers['x-powered-by']).toBeUndefined()
})

test('it answers to its own names alone', async () => {
  const named = (host: string, own = server) => own.http.get('/api/v1/doors').set('Host', host)
  // The tests' server is said to be tests.invalid; a proxy may call it by a name of its own network.
  for (const host of ['tests.invalid', 'localhost:4180', '127.0.0.1', '[::1]:4180', 'app:4180', '10.0.0.9'])
    await named(host).expect(200)
  for (const host of ['gull.example', 'gull.example:4180', 'tests.invalid.gull.example'])
    expect((await named(host).expect(403)).body).toMatchObject({ code: 'wrong-origin' })
  const local = await serveTest({ template: 'empty', doors: { publicOrigin: null } })
  for (const host of ['192.168.1.20:4180', 'tablet', 'bar.local:4180']) await named(host, local).expect(200)
  await named('gull.example', local).expect(403)
  await local.stop()
})

test('a body that is not packed as it says is told so, and one that was cut short is no fault of ours', async () => {
  const lines: string[] = []
  const own = await serveTest({ log: (line) => lines.push(line) })
  const answer = await own.http
    .put(`/api/v1/shots/${newId()}`)
    .set('Content-Type', 'application/json')
    .set('Content-Encoding', 'gzip')
    .send('{}')
    .expect(400)
  expect(answer.body).toMatchObject({ code: 'broken-json' })
  await cutShort(own)
  expect(lines.join('')).not.toContain('database down')
  await own.stop()
})

/** Says that more will come than it sends, and goes away. */
async function cutShort({ app }: TestServer): Promise<void> {
  const listening = createServer(app)
  await new Promise<void>((resolve) => listening.listen(0, '127.0.0.1', resolve))
  const { port } = listening.address() as AddressInfo
  const gone = new Promise<void>((resolve) =>
    listening.once('connection', (each) => each.once('close', () => resolve())),
  )
  const line = connect(port, '127.0.0.1')
  line.write(
    `PUT /api/v1/shots/${newId()} HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\nContent-Length: 900\r\n\r\n{"a"`,
    () => line.destroy(),
  )
  await gone
  await new Promise<void>((resolve) => listening.close(() => resolve()))
}

test('the OpenAPI document is served, packed once; other answers are not cached', async () => {
  const answer = await server.http.get('/api/v1/openapi.json').expect(200)
  expect(answer.body).toMatchObject({
    openapi: '3.1.0',
    paths: { '/shots/{shotId}': { put: expect.anything() } },
  })
  const other = await server.http.get('/api/v1/doors').expect(200)
  expect(other.headers['cache-control']).toBe('no-store')
  // Packed once for all, and not sent again to whoever has it.
  expect(answer.headers['content-encoding']).toBe('gzip')
  const plain = await server.http.get('/api/v1/openapi.json').set('Accept-Encoding', 'identity').expect(200)
  expect(plain.headers['content-encoding']).toBeUndefined()
  expect(plain.body).toEqual(answer.body)
  await server.http
    .get('/api/v1/openapi.json')
    .set('If-None-Match', String(answer.headers['etag']))
    .expect(304)
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
