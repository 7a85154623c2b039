import { auditList, setAsideList, shotDetail } from '@calm-apron/contract'
import { type Browser, type TestServer, newId, serveTest, shotOf, somebody } from '../testing/serve.ts'
import { PASSWORD, PIN, type Somebody, type World, worldIn } from '../testing/world.ts'

/** Records entered on a tablet without network under someone's name, and sent when another is signed in there. */
let server: TestServer
let world: World
let head: Browser
let tablet: Browser
let present: Somebody
let named: Somebody
beforeAll(async () => {
  server = await serveTest()
  world = worldIn(server.house)
  head = await server.as(somebody('head'))
})
afterAll(() => server.stop())
beforeEach(async () => {
  tablet = server.browser()
  present = await world.make('trainer')
  named = await world.make('trainer')
  for (const { signInName } of [named, present])
    await tablet.post('/api/v1/session').send({ signInName, password: PASSWORD }).expect(200)
})

const put = (shotId: string, judgedBy: string) =>
  tablet.put(`/api/v1/shots/${shotId}`).send({ ...shotOf(), judgedBy })
const current = async (shotId: string) =>
  shotDetail.parse((await head.get(`/api/v1/shots/${shotId}`).expect(200)).body).current

test('under the name of someone whom the tablet knows it is claimed, until their PIN is given there', async () => {
  const shotId = newId()
  await put(shotId, named.personId).expect(201)
  expect(await current(shotId)).toMatchObject({ judgedBy: named.personId, isClaimed: true })
  await tablet.post('/api/v1/session/pin').send({ personId: named.personId, pin: PIN }).expect(200)
  expect(await current(shotId)).toMatchObject({ judgedBy: named.personId, isClaimed: false })
  const { entries } = auditList.parse(
    (await head.get('/api/v1/audit').query({ kind: 'claim-confirmed', actorId: named.personId })).body,
  )
  expect(entries).toHaveLength(1)
})

test('a PIN given on another tablet confirms nothing here', async () => {
  const shotId = newId()
  await put(shotId, named.personId).expect(201)
  const elsewhere = server.browser()
  await elsewhere
    .post('/api/v1/session')
    .send({ signInName: named.signInName, password: PASSWORD })
    .expect(200)
  expect(await current(shotId)).toMatchObject({ isClaimed: true })
})

test('under one’s own name it is no claim; under a stranger’s it is refused at its field', async () => {
  const shotId = newId()
  await put(shotId, present.personId).expect(201)
  expect(await current(shotId)).toMatchObject({ isClaimed: false })
  const stranger = await world.make('trainer')
  const answer = await put(newId(), stranger.personId).expect(422)
  expect(answer.body).toMatchObject({ errors: [{ path: 'judgedBy', reason: 'not-at-this-device' }] })
})

describe('under an account that has ended meanwhile', () => {
  const end = () =>
    head
      .patch(`/api/v1/people/${named.personId}`)
      .send({ basedOnNo: 1, isActive: false, why: 'left' })
      .expect(200)
  const kept = async () => setAsideList.parse((await head.get('/api/v1/set-aside').expect(200)).body).records
  const decide = (id: string, decision: string) =>
    head.post(`/api/v1/set-aside/${id}/decision`).send({ decision, why: 'saw it myself' })

  test('it is kept aside, once, and the sender is told; kept by the head it counts', async () => {
    await end()
    const shotId = newId()
    for (let time = 0; time < 3; time += 1)
      expect((await put(shotId, named.personId)).body).toMatchObject({ status: 409, code: 'set-aside' })
    expect((await kept()).map(({ setAsideId }) => setAsideId)).toEqual([shotId])
    await head.get(`/api/v1/shots/${shotId}`).expect(404)
    await decide(shotId, 'keep').expect(200)
    expect(await current(shotId)).toMatchObject({ judgedBy: named.personId, isClaimed: false })
    await decide(shotId, 'keep').expect(404)
    expect(await kept()).toEqual([])
  })

  test('let go by the head it is gone, and the trail says so', async () => {
    await end()
    const shotId = newId()
    await put(shotId, named.personId).expect(409)
    await decide(shotId, 'drop').expect(200)
    await head.get(`/api/v1/shots/${shotId}`).expect(404)
    const { entries } = auditList.parse(
      (await head.get('/api/v1/audit').query({ kind: 'set-aside-dropped' })).body,
    )
    expect(entries[0]).toMatchObject({ subjectId: shotId, why: 'saw it myself' })
  })

  test('a correction of numbers that have changed since can’t be kept, and stays to be let go', async () => {
    const shotId = newId()
    await put(shotId, present.personId).expect(201)
    await end()
    const correction = (judgedBy: string, grindSetting: number) => ({
      basedOnNo: 1,
      judgedBy,
      reason: 'read the wrong line',
      correctedAt: '2026-11-23T10:50:00.000Z',
      facts: shotOf({ grindSetting }).facts,
    })
    const late = newId()
    const path = (revisionId: string) => `/api/v1/shots/${shotId}/revisions/${revisionId}`
    await tablet.put(path(late)).send(correction(named.personId, 9)).expect(409)
    await tablet.put(path(newId())).send(correction(present.personId, 10)).expect(201)
    await decide(late, 'keep').expect(412)
    expect(await kept()).toHaveLength(1)
    await decide(late, 'drop').expect(200)
  })
})
