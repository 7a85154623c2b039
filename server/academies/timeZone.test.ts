import { doors, timeZone as zone } from '@calm-apron/contract'
import { type TestServer, serveTest, somebody } from '../testing/serve.ts'

let server: TestServer
beforeAll(async () => {
  server = await serveTest()
})
afterAll(() => server.stop())

/** Each of these a browser takes; some of them the database does not know. */
const ZONES = [...Intl.supportedValuesOf('timeZone'), 'EST5EDT', 'US/Pacific-New', 'Etc/Unknown', 'GMT+0']

test('a zone that only the browser knows is refused; with each of the others days can be worked out', async () => {
  const head = await server.as(somebody('head'))
  const { rows } = await server.house.database.execute<{ name: string }>('select name from pg_timezone_names')
  const known = new Set(rows.map(({ name }) => name))
  const only = ZONES.filter((each) => zone.safeParse(each).success && !known.has(each))
  const change = (timeZone: string) =>
    head.patch('/api/v1/academy').send({ basedOnNo: 1, name: 'Tern & Thimble', town: 'Ostrel', timeZone })
  for (const each of only)
    expect([each, (await change(each)).body]).toMatchObject([
      each,
      { errors: [{ path: 'timeZone', reason: 'unknown-zone' }] },
    ])
  await change('Pacific/Auckland').expect(200)
  await head.get('/api/v1/audit?from=2026-11-01').expect(200)
})

test('how times of day are told is the head’s to say; a page that knows nothing of it leaves it', async () => {
  const head = await server.as(somebody('head'))
  const now = async () => doors.parse((await head.get('/api/v1/doors').expect(200)).body).session?.academy
  const revisionNo = (await now())?.revisionNo ?? 0
  const change = (basedOnNo: number, part: object) =>
    head
      .patch('/api/v1/academy')
      .send({ basedOnNo, name: 'Tern & Thimble', town: 'Ostrel', timeZone: 'Atlantic/Azores', ...part })
  await change(revisionNo, { clockHabit: '13-hours' }).expect(422)
  await change(revisionNo, { clockHabit: '12-hours' }).expect(200)
  await change(revisionNo + 1, { town: 'Ostrel Bay' }).expect(200)
  expect(await now()).toMatchObject({ clockHabit: '12-hours', town: 'Ostrel Bay' })
})
