import { shotSummary, tasting } from '@calm-apron/contract'
import { type Focus, focusNamed } from '@calm-apron/core'
import { type TestServer, newId, serveTest, shotOf } from '../testing/serve.ts'
import { setupOf } from '../testing/trainings.ts'
import { type Somebody, type World, worldIn } from '../testing/world.ts'

let server: TestServer
let world: World
let trainee: Somebody
let trainer: Somebody
let trainingId: string
beforeAll(async () => {
  server = await serveTest()
  world = worldIn(server.house)
})
afterAll(() => server.stop())
beforeEach(async () => {
  trainee = await world.make('trainee')
  trainer = await world.make('trainer')
  trainingId = newId()
  await note(trainer, { kind: 'started', setup: setupOf([trainee]) }).expect(201)
})

const note = (who: Somebody, happening: object) =>
  server
    .of(who)
    .put(`/api/v1/trainings/${trainingId}/events/${newId()}`)
    .send({ by: who.personId, at: new Date().toISOString(), happening })
const FIRST_WEEK = focusNamed('first-week')

/** The focus that a shot of the trainee's is kept with, sent as of this one. */
async function keptFocus(focus: Focus, part: object = {}): Promise<Focus | undefined> {
  const { personId } = trainee
  const body = { ...shotOf(), personId, judgedBy: personId, trainingId, focus, ...part }
  const answer = await server.of(trainee).put(`/api/v1/shots/${newId()}`).send(body).expect(201)
  return shotSummary.parse(answer.body).stood.focus
}

test('whoever leads says what is looked at, before and in the training; one with a seat says nothing of it', async () => {
  await note(trainer, { kind: 'focused', focus: FIRST_WEEK }).expect(201)
  await note(trainee, { kind: 'focused', focus: focusNamed('all') }).expect(403)
  await note(trainer, { kind: 'focused', focus: { on: [], fullEvery: 3 } }).expect(422)
  await note(trainer, { kind: 'focused', focus: { on: ['dose'], fullEvery: 0 } }).expect(422)
})

test('a shot keeps what it was looked at for; one that nobody set is let by, so that less of it is not judged', async () => {
  expect(await keptFocus(FIRST_WEEK)).toBeUndefined()
  await note(trainer, { kind: 'focused', focus: FIRST_WEEK }).expect(201)
  expect(await keptFocus(FIRST_WEEK)).toEqual(FIRST_WEEK)
  expect(await keptFocus({ ...FIRST_WEEK, on: ['dose'] })).toBeUndefined()
  expect(await keptFocus(FIRST_WEEK, { trainingId: null })).toBeUndefined()
})

describe('a shot of which no notes are asked', () => {
  let shotId: string
  const seen = async (who: Somebody) =>
    tasting.parse((await server.of(who).get(`/api/v1/shots/${shotId}/tasting`).expect(200)).body)
  const call = (who: Somebody) =>
    server
      .of(who)
      .put(`/api/v1/shots/${shotId}/calls/${newId()}`)
      .send({
        ...{ calledBy: who.personId, stage: 'final', verdict: 'fast', cause: 'dose-low', move: 'hold' },
        calledAt: new Date().toISOString(),
      })
  beforeEach(async () => {
    const asked = { isCallAsked: true, isFirstCallAsked: false, areNotesAsked: false }
    shotId = await world.makeShot(trainee, trainer, asked)
  })

  test('is called in words of flow, and opens with the call', async () => {
    expect(await seen(trainee)).toMatchObject({
      isOpen: false,
      asks: { first: false, notes: false, isTasted: false },
    })
    await server.of(trainee).get(`/api/v1/shots/${shotId}`).expect(409)
    await call(trainee).expect(201)
    expect(await seen(trainee)).toMatchObject({ isOpen: true, calls: [{ verdict: 'fast' }] })
    await server.of(trainee).get(`/api/v1/shots/${shotId}`).expect(200)
  })

  test('says what it was for afterwards: by those who teach, with a reason, of what they saw; sealed until the call', async () => {
    const as = (who: Somebody, part: object = {}) =>
      server
        .of(who)
        .put(`/api/v1/shots/${shotId}/purposes/${newId()}`)
        .send({
          ...{ repurposedBy: who.personId, purposeBefore: 'practice', purpose: 'deliberate-fault' },
          ...{ faultShown: 'dose-low', reason: 'the dose was low on purpose' },
          repurposedAt: new Date().toISOString(),
          ...part,
        })
    await as(trainee).expect(403)
    await as(trainer, { faultShown: null }).expect(422)
    await as(trainer, { purpose: 'assessment', faultShown: null }).expect(422)
    await as(trainer).expect(201)
    await as(trainer).expect(412)
    expect((await seen(trainee)).repurposings).toEqual([])
    expect(JSON.stringify((await server.of(trainee).get('/api/v1/shots')).body)).not.toContain('dose-low')
    await call(trainee).expect(201)
    expect((await seen(trainee)).repurposings).toMatchObject([
      { purposeBefore: 'practice', purpose: 'deliberate-fault', reason: 'the dose was low on purpose' },
    ])
    const { body } = await server.of(trainee).get(`/api/v1/shots/${shotId}`).expect(200)
    expect(body).toMatchObject({ purpose: 'deliberate-fault', faultShown: 'dose-low' })
  })

  test('of a set can only be called broken', async () => {
    shotId = await world.makeShot(trainee, trainer, { purpose: 'assessment' })
    const as = (purpose: string) =>
      server
        .of(trainer)
        .put(`/api/v1/shots/${shotId}/purposes/${newId()}`)
        .send({
          ...{ repurposedBy: trainer.personId, purposeBefore: 'assessment', purpose, faultShown: null },
          ...{ reason: 'a shot of the set', repurposedAt: new Date().toISOString() },
        })
    await as('practice').expect(422)
    await as('equipment-failure').expect(201)
  })
})
