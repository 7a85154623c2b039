import { readAnswer, shotList, today } from '@calm-apron/contract'
import { type KeptWrite, writesOfLastRelease } from '../testing/lastRelease.ts'
import { type Browser, type TestServer, serveTest, somebody } from '../testing/serve.ts'

let server: TestServer
const browsers = new Map<KeptWrite['as'], Browser>()
beforeAll(async () => {
  server = await serveTest({ template: 'last release' })
  for (const role of ['head', 'trainer', 'trainee'] as const)
    browsers.set(role, await server.as(somebody(role)))
})
afterAll(() => server.stop())

const send = async ({ as, path, body }: KeptWrite) => browsers.get(as)?.put(`/api/v1${path}`).send(body)
/** Each with its kind, as its path tells. */
const kinds = (each: KeptWrite) => each.path.replaceAll(/[0-9a-f]{8}-[0-9a-f-]+/g, '…')
const WRITES = writesOfLastRelease()

test('what a tablet sent to the last release, and sends again because it heard no answer, is there already', async () => {
  const wrong: unknown[] = []
  for (const write of WRITES) {
    const answer = await send(write)
    if (answer?.status !== 200) wrong.push([kinds(write), answer?.status, answer?.body])
  }
  expect(wrong).toEqual([])
  expect(new Set(WRITES.map(kinds)).size).toBeGreaterThan(8)
})

test('another body under the same id is still told from it', async () => {
  for (const write of WRITES) {
    const other = { ...write, body: { ...write.body, ...otherwise(write.body) } }
    expect([kinds(write), (await send(other))?.status]).toEqual([kinds(write), 409])
  }
})

/** The same, but for one thing that somebody might have said otherwise. */
function otherwise(body: object): object {
  const LATER = '2026-11-02T09:00:00.000Z'
  for (const [key, value] of Object.entries({ reason: 'another', note: 'another', displayName: 'Another' }))
    if (typeof Reflect.get(body, key) === 'string') return { [key]: value }
  for (const key of ['at', 'calledAt', 'tastedAt', 'takenAt']) if (key in body) return { [key]: LATER }
  return { content: { ...(Reflect.get(body, 'content') as object), name: 'Another' } }
}

test('its records are all read', async () => {
  const trainer = browsers.get('trainer')
  const seen = readAnswer(today, (await trainer?.get('/api/v1/today').expect(200))?.body)
  expect(seen.error?.issues).toBeUndefined()
  const list = readAnswer(shotList, (await trainer?.get('/api/v1/shots?limit=100').expect(200))?.body)
  expect(list.error?.issues).toBeUndefined()
  expect(list.data?.shots.length).toBeGreaterThan(10)
})
