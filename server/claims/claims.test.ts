import { auditList, claimList, setAsideList, shotDetail } from '@calm-apron/contract'
import { type Browser, type TestServer, newId, serveTest, shotOf, somebody } from '../testing/serve.ts'
import { setupOf } from '../testing/trainings.ts'
import { PICTURE } from '../testing/things.ts'
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

const comeIn = () =>
  tablet.post('/api/v1/session/pin').send({ personId: named.personId, pin: PIN }).expect(200)
const claims = async () => claimList.parse((await tablet.get('/api/v1/claims').expect(200)).body).claims
const say = (recordId: string, isMine: boolean) =>
  tablet.post(`/api/v1/claims/${recordId}/decision`).send({ isMine })
const traces = async (kind: string) =>
  auditList.parse((await head.get('/api/v1/audit').query({ kind, actorId: named.personId })).body).entries

test('under the name of someone whom the tablet knows it is claimed, until they say that it is theirs', async () => {
  const [shotId, other] = [newId(), newId()]
  await put(shotId, named.personId).expect(201)
  await put(other, named.personId).expect(201)
  expect(await claims()).toEqual([])
  await comeIn()
  // A PIN alone says nothing of what lies there.
  expect(await current(shotId)).toMatchObject({ judgedBy: named.personId, isClaimed: true })
  expect(await claims()).toMatchObject([
    { recordId: shotId, kind: 'shot', subjectId: shotId, sentBy: present.personId },
    { recordId: other },
  ])
  await say(shotId, true).expect(200)
  expect(await current(shotId)).toMatchObject({ isClaimed: false, isDenied: false })
  expect(await current(other)).toMatchObject({ isClaimed: true })
  await say(shotId, false).expect(404)
  expect(await traces('claim-confirmed')).toMatchObject([{ subjectId: shotId, personId: present.personId }])
})

test('what they say is not theirs stays, and says so', async () => {
  const shotId = newId()
  await put(shotId, named.personId).expect(201)
  // Nobody else speaks for them.
  await say(shotId, true).expect(404)
  await comeIn()
  await say(shotId, false).expect(200)
  expect(await current(shotId)).toMatchObject({ judgedBy: named.personId, isDenied: true })
  expect(await traces('claim-denied')).toHaveLength(1)
})

describe('whatever else is sent in their name', () => {
  const at = new Date().toISOString()
  const taste = { sour: 3, sweet: 6, bitter: 3, body: 5, dryness: 2 }
  let shotId: string
  beforeEach(async () => {
    const trainee = await world.make('trainee')
    shotId = await world.makeShot(trainee, present)
  })
  const send = (path: string, body: object) => tablet.put(`/api/v1/${path}`).send(body)
  const called = { stage: 'final', verdict: 'under', cause: null, move: 'finer', calledAt: at }
  const filled = { side: 'trainer', basedOnNo: 0, reason: null, taste, tastedAt: at }
  const setup = () => setupOf([{ personId: somebody('trainee') }])

  test('is a claim: calls, slips, photos, and what happens in a training', async () => {
    const { personId } = named
    const once: [string, object][] = [
      [`shots/${shotId}/calls/${newId()}`, { ...called, calledBy: personId }],
      [`shots/${shotId}/slips/${newId()}`, { ...filled, filledBy: personId }],
    ]
    for (const [path, body] of once) {
      expect((await send(path, body).expect(201)).body).toMatchObject({ isClaimed: true })
      // Said again it is what it was.
      expect((await send(path, body).expect(200)).body).toMatchObject({ isClaimed: true })
    }
    await send(`shots/${shotId}/photos/${newId()}`, {
      takenBy: personId,
      takenAt: at,
      picture: PICTURE,
    }).expect(201)
    const happening = { kind: 'started', setup: setup() }
    const started = await send(`trainings/${newId()}/events/${newId()}`, { by: personId, at, happening })
    expect(started.body).toMatchObject({ events: [{ by: personId, sentBy: present.personId }] })
    await comeIn()
    expect((await claims()).map(({ kind }) => kind).sort()).toEqual([
      'call',
      'photo',
      'slip',
      'training-event',
    ])
    const exported = (await tablet.get(`/api/v1/people/${personId}/export`).expect(200)).body as unknown
    expect(exported).toMatchObject({ calls: [{ isClaimed: true }], slips: [{ isClaimed: true }] })
  })

  test('is refused once their account has ended, and rulings always', async () => {
    const ruling = { verdict: 'over', cause: null, move: 'coarser', reason: 'a test', ruledAt: at }
    const { personId } = named
    expect(
      (await send(`shots/${shotId}/rulings/${newId()}`, { ...ruling, ruledBy: personId })).body,
    ).toMatchObject({ errors: [{ path: 'ruledBy', reason: 'own-only' }] })
    await head
      .patch(`/api/v1/people/${personId}`)
      .send({ basedOnNo: 1, isActive: false, why: 'left' })
      .expect(200)
    expect(
      (await send(`shots/${shotId}/calls/${newId()}`, { ...called, calledBy: personId })).body,
    ).toMatchObject({ errors: [{ path: 'calledBy', reason: 'ended' }] })
  })

  test('a trainee at a tablet that remembers a trainer leads, rules, and fills the trainer’s side in nobody’s name', async () => {
    const trainee = await world.make('trainee')
    await tablet
      .post('/api/v1/session')
      .send({ signInName: trainee.signInName, password: PASSWORD })
      .expect(200)
    const own = newId()
    const shot = { ...shotOf(), personId: trainee.personId }
    await send(`shots/${own}`, { ...shot, judgedBy: named.personId }).expect(201)
    expect(await current(own)).toMatchObject({ judgedBy: named.personId, isClaimed: true })
    const { personId } = named
    const ruling = { verdict: 'over', cause: null, move: 'coarser', reason: 'a test', ruledAt: at }
    const started = { by: personId, at, happening: { kind: 'started', setup: setup() } }
    const refused: [string, object][] = [
      [`shots/${own}/slips/${newId()}`, { ...filled, filledBy: personId }],
      [`shots/${own}/slips/${newId()}`, { ...filled, side: 'trainee', taste: null, filledBy: personId }],
      [`shots/${own}/calls/${newId()}`, { ...called, verdict: null, move: null, calledBy: personId }],
      [`shots/${own}/rulings/${newId()}`, { ...ruling, ruledBy: personId }],
      [`trainings/${newId()}/events/${newId()}`, started],
    ]
    for (const [path, body] of refused) expect([path, (await send(path, body)).status]).toEqual([path, 403])
    for (const purpose of ['reference', 'demonstration', 'deliberate-fault', 'assessment'])
      expect(
        (await send(`shots/${newId()}`, { ...shot, purpose, judgedBy: trainee.personId })).body,
      ).toMatchObject({
        errors: [{ path: 'purpose', reason: 'not-theirs' }],
      })
  })

  test('a handed tablet fills and skips its holder’s own side alone, and the trail names who holds it', async () => {
    const { personId } = named
    await tablet.post('/api/v1/session/hand-over').send({ shotId }).expect(200)
    const other = await send(`shots/${shotId}/slips/${newId()}`, { ...filled, filledBy: personId })
    expect(other.body).toMatchObject({ errors: [{ path: 'filledBy', reason: 'not-at-this-device' }] })
    await send(`shots/${shotId}/slips/${newId()}`, { ...filled, filledBy: personId, taste: null }).expect(422)
    const pulledBy = shotDetail.parse((await head.get(`/api/v1/shots/${shotId}`)).body).personId
    const own = { ...filled, side: 'trainee', filledBy: pulledBy }
    expect((await send(`shots/${shotId}/slips/${newId()}`, own).expect(201)).body).toMatchObject({
      filledBy: pulledBy,
      takenDownBy: present.personId,
    })
    await tablet.post('/api/v1/session/take-back').send({ pin: PIN }).expect(200)
    const { entries } = auditList.parse(
      (await head.get('/api/v1/audit').query({ actorId: present.personId })).body,
    )
    expect(entries.map(({ kind }) => kind)).toEqual(
      expect.arrayContaining(['tablet-handed', 'tablet-taken-back']),
    )
  })
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
