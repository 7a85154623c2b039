import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { type LiveMessage, liveMessage, training, trainingList } from '@calm-apron/contract'
import { type TrainingSetup, trainingState } from '@calm-apron/core'
import request from 'supertest'
import { ORIGIN, type TestServer, newId, serveTest, shotOf } from '../testing/serve.ts'
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
})

const setup = (): TrainingSetup => {
  const { barId, recipeRevisionId, grinderId, bagId } = shotOf()
  const seats = [{ personId: trainee.personId, machineId: null, groupNo: 0 }]
  return {
    barId,
    recipeRevisionId,
    grinderId,
    bagId,
    seats,
    routineId: null,
    purpose: 'practice',
    grindOwner: 'trainer',
  }
}
const note = (who: Somebody, happening: object, eventId = newId(), at = new Date().toISOString()) =>
  request(server.app)
    .put(`/api/v1/trainings/${trainingId}/events/${eventId}`)
    .set('Cookie', who.cookie)
    .set('Origin', ORIGIN)
    .send({ by: who.personId, at, happening })
const get = (who: Somebody, path = '') =>
  request(server.app).get(`/api/v1/trainings${path}`).set('Cookie', who.cookie)
const start = () => note(trainer, { kind: 'started', setup: setup() }).expect(201)

test('what happened is kept once, however often it is sent, and shows how the training stands', async () => {
  const eventId = newId()
  const started = { kind: 'started', setup: setup() }
  const at = new Date().toISOString()
  await note(trainer, started, eventId, at).expect(201)
  await note(trainer, started, eventId, at).expect(200)
  await note(trainer, { kind: 'break-began' }, eventId, at).expect(409)
  await note(trainer, { kind: 'break-began' }).expect(201)
  const { events } = training.parse((await get(trainee, `/${trainingId}`).expect(200)).body)
  expect(events).toHaveLength(2)
  expect(trainingState(events)).toMatchObject({ setup: setup(), startedBy: trainer.personId })
  expect(trainingState(events)?.onBreakSince).not.toBeNull()
})

test('one with a seat sees it among the open ones, others don’t; ended, it is open no more', async () => {
  await start()
  const stranger = await world.make('trainee')
  const open = async (who: Somebody) =>
    trainingList
      .parse((await get(who).expect(200)).body)
      .trainings.some((each) => each.trainingId === trainingId)
  expect([await open(trainee), await open(trainer), await open(stranger)]).toEqual([true, true, false])
  await get(stranger, `/${trainingId}`).expect(404)
  await note(stranger, { kind: 'break-began' }).expect(404)
  await note(trainee, {
    kind: 'ended',
    left: { rinsed: true, wiped: true, handleBack: true },
  }).expect(201)
  expect(await open(trainer)).toBe(false)
})

test('nothing can happen before it was started', async () => {
  await note(trainer, { kind: 'break-began' }).expect(404)
})

test('shots are listed by training and by grinder', async () => {
  await start()
  const shotId = await world.makeShot(trainee, trainer, { trainingId })
  await world.makeShot(trainee, trainer)
  const list = (query: string) =>
    request(server.app).get(`/api/v1/shots?${query}`).set('Cookie', trainer.cookie).expect(200)
  const ids = (body: unknown) => (body as { shots: { shotId: string }[] }).shots.map((shot) => shot.shotId)
  expect(ids((await list(`trainingId=${trainingId}`)).body)).toEqual([shotId])
  expect(ids((await list(`grinderId=${String(shotOf().grinderId)}`)).body)).toContain(shotId)
})

describe('live', () => {
  const listening = async (app = server.app) => {
    const http = createServer(app)
    await new Promise<void>((resolve) => http.listen(0, '127.0.0.1', resolve))
    const port = (http.address() as AddressInfo).port
    const close = () => {
      http.closeAllConnections()
      return new Promise((resolve) => http.close(resolve))
    }
    return { url: `http://127.0.0.1:${port}/api/v1/trainings/${trainingId}/live`, close }
  }
  /** Follows until enough was heard. */
  async function hear(url: string, who: Somebody, enough: (all: LiveMessage[]) => boolean) {
    const stop = new AbortController()
    const answer = await fetch(url, { headers: { Cookie: who.cookie }, signal: stop.signal })
    const heard: LiveMessage[] = []
    let say: () => void = () => undefined
    const first = new Promise<void>((resolve) => (say = resolve))
    const all = (async () => {
      const words = new TextDecoder()
      for await (const chunk of answer.body ?? []) {
        for (const line of words.decode(chunk).split('\n'))
          if (line.startsWith('data: ')) heard.push(liveMessage.parse(JSON.parse(line.slice(6))))
        if (heard.length > 0) say()
        if (enough(heard)) break
      }
      stop.abort()
      return heard
    })()
    return { status: answer.status, first, all }
  }
  const stage = () => ({
    personId: trainee.personId,
    shotId: newId(),
    step: 'dose',
    phase: 'before',
    pumpS: 0,
    weightG: 18.1,
    at: new Date().toISOString(),
  })
  const tellStage = (who: Somebody) =>
    request(server.app)
      .put(`/api/v1/trainings/${trainingId}/stages/a`)
      .set('Cookie', who.cookie)
      .set('Origin', ORIGIN)
      .send(stage())

  test('what happens reaches a tablet at another server', async () => {
    await start()
    const there = await listening(server.beside())
    const { first, all } = await hear(there.url, trainer, (heard) =>
      heard.some(({ kind }) => kind === 'stage'),
    )
    // The first word says that the line stands.
    await first
    await tellStage(trainee).expect(200)
    expect(await all).toEqual([
      { kind: 'training', trainingId },
      { kind: 'stage', stage: expect.objectContaining({ group: 'a', step: 'dose', weightG: 18.1 }) },
    ])
    await there.close()
  })

  test('it is followed by those of the training only', async () => {
    await start()
    const here = await listening()
    const stranger = await world.make('trainee')
    const refused = await fetch(here.url, { headers: { Cookie: stranger.cookie } })
    expect(refused.status).toBe(404)
    expect((await fetch(here.url)).status).toBe(401)
    await tellStage(stranger).expect(404)
    await here.close()
  })
})
