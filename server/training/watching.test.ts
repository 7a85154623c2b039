import { personExport, tasting } from '@calm-apron/contract'
import { type TestServer, newId, serveTest } from '../testing/serve.ts'
import { setupOf } from '../testing/trainings.ts'
import { type Somebody, type World, worldIn } from '../testing/world.ts'

let server: TestServer
let world: World
let puller: Somebody
let peer: Somebody
let trainer: Somebody
let trainingId: string
let shotId: string
beforeAll(async () => {
  server = await serveTest()
  world = worldIn(server.house)
})
afterAll(() => server.stop())
beforeEach(async () => {
  puller = await world.make('trainee')
  peer = await world.make('trainee')
  trainer = await world.make('trainer')
  trainingId = newId()
  shotId = newId()
  const happening = { kind: 'started', setup: setupOf([puller, peer]) }
  await server
    .of(trainer)
    .put(`/api/v1/trainings/${trainingId}/events/${newId()}`)
    .send({ by: trainer.personId, at: new Date().toISOString(), happening })
    .expect(201)
})

const SEEN = {
  stepsDone: ['grind'],
  stepsPrompted: ['wipe-basket'],
  stepsMissed: ['flush'],
  marks: [{ mark: 'one-side', atS: 12.4 }],
  call: { verdict: 'uneven', cause: 'tamp-tilted', move: 'hold' },
}
const watch = (who: Somebody, part: object = {}, watchId = newId()) =>
  server
    .of(who)
    .put(`/api/v1/trainings/${trainingId}/watches/${watchId}`)
    .send({ watchedBy: who.personId, shotId, ...SEEN, watchedAt: '2026-11-23T10:40:00.000Z', ...part })
const seenOf = async (who: Somebody) =>
  tasting.parse((await server.of(who).get(`/api/v1/shots/${shotId}/tasting`).expect(200)).body).watches
const pull = async () => {
  const asked = { trainingId, isCallAsked: true, isFirstCallAsked: false, areNotesAsked: false }
  shotId = await world.makeShot(puller, trainer, asked)
}

test('what a peer saw is kept once, though the shot comes after it, and is said to be a peer’s', async () => {
  const watchId = newId()
  await watch(peer, {}, watchId).expect(201)
  await watch(peer, {}, watchId).expect(200)
  await watch(peer, { stepsMissed: [] }, watchId).expect(409)
  await pull()
  await watch(peer).expect(201)
  expect(await seenOf(trainer)).toMatchObject([{ watchedBy: peer.personId, isTeaching: false, ...SEEN }])
  await watch(trainer).expect(201)
  expect((await seenOf(trainer)).map(({ isTeaching }) => isTeaching)).toEqual([false, true])
})

test('whoever pulled is told nothing of it before their call, and everything after', async () => {
  await pull()
  await watch(peer).expect(201)
  expect(await seenOf(puller)).toEqual([])
  await server
    .of(puller)
    .put(`/api/v1/shots/${shotId}/calls/${newId()}`)
    .send({
      ...{ calledBy: puller.personId, stage: 'final', verdict: 'fast', cause: null, move: 'hold' },
      calledAt: '2026-11-23T10:41:00.000Z',
    })
    .expect(201)
  expect(await seenOf(puller)).toHaveLength(1)
})

test('nobody watches their own shot, another training’s, in another’s name, or without a seat', async () => {
  await pull()
  await watch(puller).expect(422)
  await watch(peer, { watchedBy: trainer.personId }).expect(422)
  await watch(await world.make('trainee')).expect(404)
  shotId = await world.makeShot(puller, trainer)
  await watch(peer).expect(422)
})

test('it opens nothing: a peer still reads no shot but their own, and their export holds what they saw', async () => {
  await pull()
  await watch(peer).expect(201)
  await server.of(peer).get(`/api/v1/shots/${shotId}`).expect(404)
  await server.of(peer).get(`/api/v1/shots/${shotId}/tasting`).expect(404)
  const exported = await server.of(peer).get(`/api/v1/people/${peer.personId}/export`).expect(200)
  expect(personExport.parse(exported.body).watches).toMatchObject([SEEN])
})
