import { type GrindSeenOn, grindHistory } from '@calm-apron/contract'
import type { ShotFacts } from '@calm-apron/core'
import {
  type Browser,
  type TestServer,
  grinderThing,
  newId,
  prepared,
  serveTest,
  shotOf,
  somebody,
} from '../testing/serve.ts'
import { bagThing, thingsBy } from '../testing/things.ts'

let server: TestServer
beforeAll(async () => {
  server = await serveTest()
})
afterAll(() => server.stop())

/** A grinder and a bag of their own, so that nothing of another test is in their history. */
async function ownGrinder(): Promise<{ grinderId: string; bagId: string }> {
  const [grinderId, bagId] = [newId(), newId()]
  const { put } = thingsBy(server.http)
  await put(grinderId, grinderThing()).expect(201)
  await put(bagId, bagThing()).expect(201)
  return { grinderId, bagId }
}

const daysAgo = (days: number, minute = 0) =>
  new Date(Date.now() - days * 86_400_000 - (60 - minute) * 60_000).toISOString()
const timed = (grindSetting: number, stopS: number, also: Partial<ShotFacts> = {}): ShotFacts =>
  shotOf({
    grindSetting,
    dose: { by: 'net', netG: 18.4 },
    clock: { firstDrop: 'marked', firstDropS: 6, stopS, estimated: false },
    cup: { by: 'net', netG: 39 },
    ...also,
  }).facts

async function pull(facts: ShotFacts, pulledAt: string, also: object = {}): Promise<string> {
  const shotId = newId()
  await server.http
    .put(`/api/v1/shots/${shotId}`)
    .send({ ...shotOf({}, pulledAt), facts, ...also })
    .expect(201)
  return shotId
}

async function historyOf(
  grinderId: string,
  query: object = {},
  as: Browser = server.http,
): Promise<GrindSeenOn[]> {
  const { body } = await as
    .get(`/api/v1/prepared/${grinderId}/grind-history`)
    .query({ recipeRevisionId: prepared('recipe'), ...query })
    .expect(200)
  return grindHistory.parse(body).seen
}

test('each shot’s setting, dose, time, coffee and day, oldest first, and nothing of who pulled it', async () => {
  const own = await ownGrinder()
  await pull(timed(16, 24), daysAgo(2), own)
  await pull(timed(14, 28), daysAgo(1), { ...own, purpose: 'dial-in' })
  const seen = await historyOf(own.grinderId)
  expect(seen).toMatchObject([
    { setting: 16, timeS: 24, doseG: 18.4, coffeeId: prepared('coffee'), isDialIn: false, bound: null },
    { setting: 14, timeS: 28, isDialIn: true },
  ])
  expect(JSON.stringify(seen)).not.toContain(somebody('trainee'))
  // The same to whoever may dial in by themselves.
  expect(await historyOf(own.grinderId, {}, await server.as(somebody('trainee')))).toEqual(seen)
})

test('none that was not pulled for real, or wrong on purpose; none of the training that asks, none after the shot that is read', async () => {
  const own = await ownGrinder()
  const trainingId = newId()
  await pull(timed(10, 28), daysAgo(3), { ...own, isSimulated: true })
  await pull(timed(11, 28), daysAgo(3), { ...own, purpose: 'deliberate-fault', faultShown: 'cold' })
  await pull(timed(12, 28), daysAgo(3), { ...own, trainingId })
  await pull(timed(13, 28), daysAgo(2), own)
  await pull(timed(14, 28), daysAgo(1), own)
  const settings = async (query: object) =>
    (await historyOf(own.grinderId, query)).map(({ setting }) => setting)
  expect(await settings({})).toEqual([12, 13, 14])
  expect(await settings({ exceptTrainingId: trainingId })).toEqual([13, 14])
  expect(await settings({ before: daysAgo(1.5) })).toEqual([12, 13])
})

test('while a call is waited for the trainee is told nothing of that shot', async () => {
  const own = await ownGrinder()
  await pull(timed(14, 28), daysAgo(0), { ...own, isCallAsked: true })
  expect(await historyOf(own.grinderId)).toHaveLength(1)
  expect(await historyOf(own.grinderId, {}, await server.as(somebody('trainee')))).toEqual([])
})

test('any number of trainees’ shots don’t push last week’s dial-in out', async () => {
  const own = await ownGrinder()
  await pull(timed(14, 28), daysAgo(7), { ...own, purpose: 'dial-in' })
  for (let no = 0; no < 45; no += 1) await pull(timed(15, 26), daysAgo(1, no), own)
  const seen = await historyOf(own.grinderId)
  expect(seen).toHaveLength(41)
  expect(seen[0]).toMatchObject({ setting: 14, isDialIn: true })
})

test('the inner burr is told as it stood when the shot was pulled', async () => {
  const { put, revise } = thingsBy(server.http)
  const [grinderId, { bagId }] = [newId(), await ownGrinder()]
  const burr = (at: number) => grinderThing({ innerBurr: { at, settingsPerUnit: 3 } })
  await put(grinderId, burr(4)).expect(201)
  await pull(timed(14, 28), new Date(Date.now() - 1000).toISOString(), { grinderId, bagId })
  await revise(grinderId, 1, burr(5)).expect(201)
  await pull(timed(11, 28), new Date(Date.now() + 1000).toISOString(), { grinderId, bagId })
  expect((await historyOf(grinderId)).map(({ innerBurrAt }) => innerBurrAt)).toEqual([4, 5])
})

test('a shot that was meant otherwise is told at the recipe’s own yield; meant is kept as it was sent', async () => {
  const own = await ownGrinder()
  const wanted = { doseG: null, yieldG: 41, taste: { sour: 4, sweet: 7, bitter: 3.5 } }
  const shotId = await pull(timed(14, 29.7, { cup: { by: 'net', netG: 41 }, wanted }), daysAgo(1), own)
  const [seen] = await historyOf(own.grinderId)
  // 6 s dry, and 23.7 s for 41 g: at 39 g it stood at 28.5 s.
  expect(seen?.timeS).toBeCloseTo(6 + (23.7 * 39) / 41, 1)
  const { body } = await server.http.get(`/api/v1/shots/${shotId}`).expect(200)
  expect(body).toMatchObject({ current: { facts: { wanted } } })
})

test('what is no grinder has none', async () => {
  await server.http
    .get(`/api/v1/prepared/${prepared('bag')}/grind-history`)
    .query({ recipeRevisionId: prepared('recipe') })
    .expect(404)
})
