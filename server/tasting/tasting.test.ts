import { shotList, tasting } from '@calm-apron/contract'
import { type TestServer, newId, serveTest } from '../testing/serve.ts'
import { PICTURE } from '../testing/things.ts'
import { PIN, type Somebody, type World, worldIn } from '../testing/world.ts'

let server: TestServer
let world: World
let trainee: Somebody
let trainer: Somebody
let shotId: string
beforeAll(async () => {
  server = await serveTest()
  world = worldIn(server.house)
})
afterAll(() => server.stop())
beforeEach(async () => {
  trainee = await world.make('trainee')
  trainer = await world.make('trainer')
  shotId = await world.makeShot(trainee, trainer)
})

const at = '2026-11-23T10:40:00.000Z'
const taste = { sour: 3, sweet: 6, bitter: 3, body: 5, dryness: 2 }
const slip = (side: 'trainee' | 'trainer', part: object = {}) => ({
  side,
  basedOnNo: 0,
  reason: null,
  taste,
  tastedAt: at,
  ...part,
})
const send = (who: { cookie: string }, path: string, body: object) =>
  server.of(who).put(`/api/v1/shots/${shotId}/${path}`).send(body)
const fill = (who: Somebody, body: object, slipId = newId(), by = who) =>
  send(who, `slips/${slipId}`, { filledBy: by.personId, ...body })
const call = (
  who: Somebody,
  stage: 'first' | 'final',
  verdict: string | null = 'under',
  callId = newId(),
  by = who,
) =>
  send(who, `calls/${callId}`, {
    calledBy: by.personId,
    stage,
    verdict,
    cause: null,
    move: verdict === null ? null : 'finer',
    calledAt: at,
  })
const seen = async (who: { cookie: string }) =>
  tasting.parse((await server.of(who).get(`/api/v1/shots/${shotId}/tasting`).expect(200)).body)

test('neither sees the other’s slip or call until both are in', async () => {
  await call(trainee, 'first').expect(201)
  await fill(trainee, slip('trainee')).expect(201)
  expect(await seen(trainer)).toMatchObject({
    sides: { trainee: 'in', trainer: 'waiting' },
    isOpen: false,
    slips: [],
    calls: [],
  })
  expect((await seen(trainee)).slips).toHaveLength(1)
  await fill(trainer, slip('trainer', { taste: { ...taste, sour: 8 } })).expect(201)
  for (const who of [trainer, trainee]) {
    const all = await seen(who)
    expect([all.isOpen, all.slips.length, all.calls.length]).toEqual([true, 2, 1])
  }
})

test('a trainer may skip a side, and then it opens', async () => {
  await fill(trainee, slip('trainee')).expect(201)
  await fill(trainee, slip('trainer', { taste: null })).expect(403)
  await fill(trainer, slip('trainer', { taste: null, reason: 'has a cold' })).expect(201)
  expect(await seen(trainee)).toMatchObject({ isOpen: true, sides: { trainer: 'skipped' } })
})

test('nobody fills the other’s side', async () => {
  await fill(trainee, slip('trainer')).expect(403)
  await fill(trainer, slip('trainee')).expect(403)
})

test('a slip is corrected by a further one, based on the newest; who is late is told without being shown', async () => {
  await fill(trainee, slip('trainee')).expect(201)
  const corrected = slip('trainee', {
    basedOnNo: 1,
    reason: 'had not stirred',
    taste: { ...taste, sweet: 7 },
  })
  await fill(trainee, corrected).expect(201)
  const late = await fill(trainee, corrected).expect(412)
  expect(late.body).toMatchObject({ versions: { current: { revisionNo: 2 }, yours: { basedOnNo: 1 } } })
  const blind = await fill(trainer, slip('trainee', { taste: null }))
  expect(blind.body).toMatchObject({ status: 412, versions: { current: null } })
})

test('a trainer who made a call of their own can still do without the trainee’s', async () => {
  await call(trainer, 'final').expect(201)
  await call(trainer, 'final', null).expect(201)
  await call(trainer, 'final', null).expect(409)
  expect((await seen(trainee)).called.final).toBe(true)
})

test('the same slip or call again is one; another under its id, or a second call at one stage, is refused', async () => {
  const id = newId()
  await fill(trainee, slip('trainee'), id).expect(201)
  await fill(trainee, slip('trainee'), id).expect(200)
  await fill(trainee, slip('trainee', { taste: { ...taste, sour: 1 } }), id).expect(409)
  const callId = newId()
  await call(trainee, 'first', 'under', callId).expect(201)
  await call(trainee, 'first', 'under', callId).expect(200)
  await call(trainee, 'first', 'over', callId).expect(409)
  await call(trainee, 'first', 'over').expect(409)
  await call(trainee, 'final', 'over').expect(201)
  expect((await seen(trainee)).calls).toHaveLength(2)
})

test('sent many times at once it is one slip', async () => {
  const id = newId()
  const answers = await Promise.all(Array.from({ length: 6 }, () => fill(trainee, slip('trainee'), id)))
  expect(answers.map(({ status }) => status).sort()).toEqual([200, 200, 200, 200, 200, 201])
})

test('on the trainer’s tablet the trainee’s word is kept as theirs, and whose tablet it was; still hidden', async () => {
  await call(trainer, 'first', 'under', newId(), trainee).expect(201)
  await fill(trainer, slip('trainee'), newId(), trainee).expect(201)
  expect((await seen(trainer)).slips).toEqual([])
  await fill(trainer, slip('trainer')).expect(201)
  const all = await seen(trainee)
  expect(all.slips.map(({ filledBy, takenDownBy }) => [filledBy, takenDownBy])).toEqual(
    expect.arrayContaining([
      [trainee.personId, trainer.personId],
      [trainer.personId, null],
    ]),
  )
  expect(all.calls).toMatchObject([{ personId: trainee.personId, takenDownBy: trainer.personId }])
})

test('nobody speaks for someone else whom their device does not know', async () => {
  const other = await world.make('trainer')
  expect((await fill(trainer, slip('trainer'), newId(), other).expect(422)).body).toMatchObject({
    errors: [{ path: 'filledBy', reason: 'not-at-this-device' }],
  })
  expect((await call(trainee, 'final', 'under', newId(), trainer).expect(422)).body).toMatchObject({
    errors: [{ path: 'calledBy', reason: 'not-at-this-device' }],
  })
})

describe('a shot whose call is asked for', () => {
  const get = (who: Somebody, path: string) => server.of(who).get(`/api/v1/${path}`)
  const listed = async (who: Somebody) =>
    shotList
      .parse((await get(who, `shots?personId=${trainee.personId}`).expect(200)).body)
      .shots.filter((each) => each.shotId === shotId)
  beforeEach(async () => {
    shotId = await world.makeShot(trainee, trainer, { isCallAsked: true })
  })

  test('is kept from whoever pulled it until their final call, and from nobody else', async () => {
    expect((await get(trainee, `shots/${shotId}`).expect(409)).body).toMatchObject({ code: 'call-first' })
    expect(await listed(trainee)).toEqual([])
    await get(trainer, `shots/${shotId}`).expect(200)
    expect(await listed(trainer)).toHaveLength(1)
    await call(trainee, 'first').expect(201)
    await get(trainee, `shots/${shotId}`).expect(409)
    await call(trainer, 'final', 'over').expect(201)
    await get(trainee, `shots/${shotId}`).expect(409)
    await call(trainee, 'final').expect(201)
    await get(trainee, `shots/${shotId}`).expect(200)
    expect(await listed(trainee)).toHaveLength(1)
  })

  test('opens without it once a trainer says so; the trainee can’t say so', async () => {
    await call(trainee, 'final', null).expect(403)
    await call(trainer, 'first', null).expect(403)
    await call(trainer, 'final', null).expect(201)
    await get(trainee, `shots/${shotId}`).expect(200)
  })

  test('a ruling is kept from them as well, and once open both readings stand', async () => {
    const ruling = { ruledBy: trainer.personId, verdict: 'over', cause: null, move: 'coarser', ruledAt: at }
    const rulingId = newId()
    const body = { ...ruling, reason: 'the stream was even', rulesVersion: 2 }
    await send(trainer, `rulings/${rulingId}`, body).expect(201)
    await send(trainer, `rulings/${rulingId}`, body).expect(200)
    await send(trainer, `rulings/${rulingId}`, { ...body, verdict: 'under' }).expect(409)
    await send(trainee, `rulings/${newId()}`, { ...body, ruledBy: trainee.personId }).expect(403)
    await fill(trainee, slip('trainee')).expect(201)
    await fill(trainer, slip('trainer', { taste: { ...taste, sour: 7 } })).expect(201)
    expect((await seen(trainee)).rulings).toEqual([])
    await call(trainee, 'final').expect(201)
    expect((await seen(trainee)).rulings).toMatchObject([
      { verdict: 'over', reason: 'the stream was even', rulesVersion: 2 },
    ])
    const [shot] = await listed(trainee)
    expect(shot?.tasted).toEqual({ trainee: taste, trainer: { ...taste, sour: 7 } })
  })
})

test('a shot keeps up to four photos, each once, and nothing that is no picture', async () => {
  const add = (photoId = newId(), part: object = {}) =>
    send(trainee, `photos/${photoId}`, { takenBy: trainee.personId, takenAt: at, picture: PICTURE, ...part })
  const photoId = newId()
  await add(photoId).expect(201)
  await add(photoId).expect(200)
  await add(photoId, { picture: PICTURE, takenAt: new Date().toISOString() }).expect(409)
  await add(newId(), { picture: `data:text/html;base64,${'A'.repeat(400)}` }).expect(422)
  expect((await add(newId(), { picture: PICTURE.replace('png', 'jpeg') }).expect(422)).body).toMatchObject({
    errors: [{ path: 'picture', reason: 'no-picture' }],
  })
  // However many come at once.
  const told = await Promise.all(Array.from({ length: 6 }, () => add()))
  expect(told.map(({ status }) => status).sort()).toEqual([201, 201, 201, 422, 422, 422])
  expect(told.find(({ status }) => status === 422)?.body).toMatchObject({
    errors: [{ path: 'picture', reason: 'enough-photos' }],
  })
  expect((await seen(trainer)).photos.map(({ picture: kept }) => kept)).toEqual(Array(4).fill(PICTURE))
})

describe('handed over', () => {
  const act = (path: string, body: object) => server.of(trainer).post(`/api/v1/session/${path}`).send(body)
  const get = (path: string) => server.of(trainer).get(`/api/v1/${path}`)

  test('the tablet reaches the one shot’s call and slip, as the trainee, and nothing of the trainer’s', async () => {
    await fill(trainer, slip('trainer')).expect(201)
    await act('hand-over', { shotId }).expect(200)
    expect((await seen(trainer)).slips).toEqual([])
    await call(trainer, 'first', 'under', newId(), trainee).expect(201)
    for (const path of ['shots', `shots/${shotId}`, 'people', 'sessions', 'audit'])
      await get(path).expect(403)
    await act('hand-over', { shotId }).expect(403)
    await fill(trainer, slip('trainee'), newId(), trainee).expect(201)
    const all = await seen(trainee)
    expect(all.slips.map(({ side, filledBy }) => [side, filledBy]).sort()).toEqual([
      ['trainee', trainee.personId],
      ['trainer', trainer.personId],
    ])
    expect(all.calls[0]?.personId).toBe(trainee.personId)
  })

  test('it is taken back with the trainer’s PIN alone', async () => {
    await act('hand-over', { shotId }).expect(200)
    await act('take-back', { pin: '0000' }).expect(401)
    await get('shots').expect(403)
    await act('take-back', { pin: PIN }).expect(200)
    await get('shots').expect(200)
  })

  test('without a PIN it can’t be handed over, or nobody could take it back', async () => {
    await server
      .of(trainer)
      .post('/api/v1/account/pin')
      .send({ password: 'tern-and-thimble-quay', pin: null })
      .expect(200)
    expect((await act('hand-over', { shotId })).body).toMatchObject({ code: 'pin-needed' })
  })
})
