import { type LiveMessage, liveMessage } from '@calm-apron/contract'
import { type TestServer, newId, serveTest, shotOf } from '../testing/serve.ts'
import { hear, listening } from '../testing/liveLine.ts'
import { setupOf, stageOf } from '../testing/trainings.ts'
import { type Somebody, type World, worldIn } from '../testing/world.ts'

let server: TestServer
let world: World
let trainee: Somebody
let peer: Somebody
let trainer: Somebody
let trainingId: string
beforeAll(async () => {
  server = await serveTest()
  world = worldIn(server.house)
})
afterAll(() => server.stop())
beforeEach(async () => {
  trainee = await world.make('trainee')
  peer = await world.make('trainee')
  trainer = await world.make('trainer')
  trainingId = newId()
  await start().expect(201)
})

const note = (happening: object) =>
  server
    .of(trainer)
    .put(`/api/v1/trainings/${trainingId}/events/${newId()}`)
    .send({ by: trainer.personId, at: new Date().toISOString(), happening })
const start = () => note({ kind: 'started', setup: setupOf([trainee, peer]) })

const hearOld = (at: (path: string) => string, who: Somebody, enough: (all: LiveMessage[]) => boolean) =>
  hear(at(`/trainings/${trainingId}/live`), who, liveMessage, enough)
const tellStage = (who: Somebody) =>
  server.of(who).put(`/api/v1/trainings/${trainingId}/stages/a`).send(stageOf(trainee))

test('a shot that is recorded in it is told to whoever follows, by its id alone', async () => {
  const there = await listening(server.app)
  const { first, all } = await hearOld(there.at, trainer, (heard) =>
    heard.some(({ kind }) => kind === 'shot'),
  )
  await first
  const shotId = newId()
  await server
    .of(trainer)
    .put(`/api/v1/shots/${shotId}`)
    .send({ ...shotOf(), personId: trainee.personId, judgedBy: trainer.personId, trainingId })
    .expect(201)
  expect((await all).at(-1)).toEqual({ kind: 'shot', shotId })
  await there.close()
})

test('what happens reaches a tablet at another server', async () => {
  const there = await listening(server.beside())
  const { first, all } = await hearOld(there.at, trainer, (heard) =>
    heard.some(({ kind }) => kind === 'stage'),
  )
  // The first word says that the line stands.
  await first
  await tellStage(trainee).expect(200)
  const heard = await all
  const before = heard.slice(0, -1)
  expect(before.length).toBeGreaterThan(0)
  expect(before).toEqual(before.map(() => ({ kind: 'training', trainingId })))
  expect(heard.at(-1)).toEqual({
    kind: 'stage',
    stage: expect.objectContaining({ group: 'a', step: 'dose', weightG: 18.1 }),
  })
  await there.close()
})

test('of somebody else’s shot a trainee hears how far it is, and none of its numbers', async () => {
  const here = await listening(server.app)
  const isStage = (heard: LiveMessage[]) => heard.some(({ kind }) => kind === 'stage')
  const own = await hearOld(here.at, trainee, isStage)
  const other = await hearOld(here.at, peer, isStage)
  await Promise.all([own.first, other.first])
  await tellStage(trainee).expect(200)
  const stageIn = (all: LiveMessage[]) => all.find(({ kind }) => kind === 'stage')
  expect(stageIn(await own.all)).toMatchObject({ stage: { step: 'dose', weightG: 18.1 } })
  expect(stageIn(await other.all)).toMatchObject({ stage: { step: 'dose', weightG: null, pumpS: 0 } })
  await here.close()
})

test('it ends with the session, and tells nothing more', async () => {
  const here = await listening(server.app)
  const { first, all } = await hearOld(here.at, trainee, () => false)
  await first
  await server.of(trainee).delete('/api/v1/session').expect(200)
  await tellStage(trainer).expect(200)
  // The line ended; what was heard is what was said before.
  expect(new Set((await all).map(({ kind }) => kind))).toEqual(new Set(['training']))
  await here.close()
})

test('it is followed by those of the training only', async () => {
  const here = await listening(server.app)
  const stranger = await world.make('trainee')
  const refused = await fetch(here.at(`/trainings/${trainingId}/live`), {
    headers: { Cookie: stranger.cookie },
  })
  expect(refused.status).toBe(404)
  expect((await fetch(here.at(`/trainings/${trainingId}/live`))).status).toBe(401)
  await tellStage(stranger).expect(404)
  await here.close()
})
