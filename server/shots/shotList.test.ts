import { shotList } from '@calm-apron/contract'
import { type TestServer, newId, serveTest, shotOf, somebody } from '../testing/serve.ts'

const RECEIVED_AT = '2026-11-23T11:00:00.000Z'
let server: TestServer

beforeAll(async () => {
  server = await serveTest({ now: () => new Date(RECEIVED_AT) })
})
afterAll(() => server.stop())

const put = (shotId: string, body: object) => server.http.put(`/api/v1/shots/${shotId}`).send(body)
const correct = (shotId: string, revisionId: string, netG: number) =>
  server.http.put(`/api/v1/shots/${shotId}/revisions/${revisionId}`).send({
    basedOnNo: 1,
    judgedBy: somebody('trainer'),
    reason: 'read the wrong line',
    correctedAt: '2026-11-23T10:40:00.000Z',
    facts: shotOf({ dose: { by: 'net', netG } }).facts,
  })

test('pages of one person’s shots, newest first, none twice and none left out', async () => {
  const fresh = await serveTest()
  const { personId } = shotOf()
  const before = shotList.parse(
    (await fresh.http.get('/api/v1/shots').query({ personId, limit: 100 })).body,
  ).shots
  const made: string[] = []
  for (let minute = 10; minute < 17; minute += 1) {
    // Two shots each minute, so that a page can end between equal times.
    for (let twin = 0; twin < 2; twin += 1) {
      made.push(newId())
      await fresh.http
        .put(`/api/v1/shots/${made.at(-1) ?? ''}`)
        .send(shotOf({}, `2026-11-23T10:${minute}:00.000Z`))
        .expect(201)
    }
  }
  const seen: string[] = []
  let cursor: string | null = null
  do {
    const answer = await fresh.http
      .get('/api/v1/shots')
      .query({ personId, limit: 3, ...(cursor !== null && { cursor }) })
    const page = shotList.parse(answer.body)
    expect(page.shots.length).toBeLessThanOrEqual(3)
    expect(new Set(page.shots.map((shot) => shot.recipeRevisionId))).toEqual(
      new Set(page.recipes.map((recipe) => recipe.recipeRevisionId)),
    )
    seen.push(...page.shots.map((shot) => shot.shotId))
    cursor = page.nextCursor
  } while (cursor !== null)
  expect([...seen].sort()).toEqual([...made, ...before.map(({ shotId }) => shotId)].sort())
  await fresh.stop()
})

test('a list carries the newest revision of each shot', async () => {
  const shotId = newId()
  await put(shotId, shotOf({}, RECEIVED_AT)).expect(201)
  await correct(shotId, newId(), 17.5).expect(201)
  const { shots } = shotList.parse((await server.http.get('/api/v1/shots').query({ limit: 20 })).body)
  expect(shots.find((each) => each.shotId === shotId)).toMatchObject({
    shotId,
    current: { revisionNo: 2, facts: { dose: { netG: 17.5 } } },
  })
})

test.each([
  { limit: 0 },
  { limit: 101 },
  { limit: 'many' },
  { cursor: 'made-up' },
  { personId: 'me' },
  { offset: 3 },
])('%j is refused by name', async (query) => {
  const answer = await server.http.get('/api/v1/shots').query(query).expect(422)
  expect(answer.body).toMatchObject({ errors: [expect.objectContaining({ path: Object.keys(query)[0] })] })
})
