import type { ShotInput, ShotList } from '@calm-apron/contract'
import { type TestServer, newId, prepared, serveTest, shotOf } from '../testing/serve.ts'
import { type Somebody, type World, worldIn } from '../testing/world.ts'
import { workOutSaid } from './said/workOutSaid.ts'

let server: TestServer
let world: World
let trainer: Somebody
let trainee: Somebody
beforeAll(async () => {
  server = await serveTest()
  world = worldIn(server.house)
  trainer = await world.make('trainer')
  trainee = await world.make('trainee')
})
afterAll(() => server.stop())

const pull = (part: Partial<ShotInput> = {}, by = trainee, facts = shotOf().facts): Promise<string> =>
  world.makeShot(by, trainer, { facts, ...part })

/** Which shots somebody finds, newest first. */
async function found(query: object, asker = trainer): Promise<string[]> {
  const { body } = await server
    .of(asker)
    .get('/api/v1/shots')
    .query({ ...query, limit: 100 })
    .expect(200)
  return (body as ShotList).shots.map(({ shotId }) => shotId)
}

const at = '2026-11-23T10:30:00.000Z'
const heavy = shotOf({ dose: { by: 'net', netG: 21 } }).facts

test('by how a reading stood, once it was worked out, and otherwise once it was corrected', async () => {
  const mine = { personId: trainee.personId }
  const [right, off] = [await pull(), await pull({}, trainee, heavy)]
  expect(await found({ ...mine, reading: 'dose', standing: 'off' })).toEqual([])
  const isBehind = async () => {
    const { body } = await server.of(trainer).get('/api/v1/shots').query({ reading: 'dose', standing: 'off' })
    return (body as ShotList).isBehind
  }
  expect(await isBehind()).toBe(true)
  // Told to stop, nothing more is taken up.
  await workOutSaid(server.house, AbortSignal.abort())
  expect(await isBehind()).toBe(true)
  await workOutSaid(server.house)
  expect(await isBehind()).toBe(false)
  expect(await found({ ...mine, reading: 'dose', standing: 'off' })).toEqual([off])
  expect(await found({ ...mine, reading: 'dose', standing: 'on' })).toEqual([right])
  const correction = { basedOnNo: 1, judgedBy: trainer.personId, reason: 'misread', correctedAt: at }
  await server
    .of(trainer)
    .put(`/api/v1/shots/${off}/revisions/${newId()}`)
    .send({ ...correction, facts: shotOf().facts })
    .expect(201)
  await workOutSaid(server.house)
  expect(await found({ ...mine, reading: 'dose', standing: 'off' })).toEqual([])
})

test('by the cause that is named, and by the one that a trainer rules', async () => {
  const someone = await world.make('trainee')
  const mine = { personId: someone.personId }
  const shotId = await pull({}, someone, heavy)
  await workOutSaid(server.house)
  expect(await found({ ...mine, cause: 'dose-high' })).toEqual([shotId])
  const ruling = { ruledBy: trainer.personId, verdict: 'under', cause: 'cold', move: 'hold', ruledAt: at }
  await server
    .of(trainer)
    .put(`/api/v1/shots/${shotId}/rulings/${newId()}`)
    .send({ ...ruling, reason: 'the group was off all morning' })
    .expect(201)
  await workOutSaid(server.house)
  expect(await found({ ...mine, cause: 'dose-high' })).toEqual([])
  expect(await found({ ...mine, cause: 'cold' })).toEqual([shotId])
  expect(await found({ ...mine, text: 'off ALL morn' })).toEqual([shotId])
})

test('by recipe, grinder, coffee, bag, purpose and day where the academy is; several conditions at once', async () => {
  const someone = await world.make('trainee')
  const mine = { personId: someone.personId }
  const early = await pull({ pulledAt: '2026-11-22T00:30:00.000Z' }, someone)
  const late = await pull({ purpose: 'sink' }, someone)
  const [shot] = ((await server.of(trainer).get('/api/v1/shots').query(mine)).body as ShotList).shots
  const recipes = ((await server.of(trainer).get('/api/v1/shots').query(mine)).body as ShotList).recipes
  const recipeId = recipes[0]?.recipeId ?? ''
  expect(await found({ ...mine, recipeId })).toEqual([late, early])
  expect(await found({ ...mine, recipeId: prepared('grinder') })).toEqual([])
  expect(await found({ ...mine, grinderId: shot?.grinderId })).toEqual([late, early])
  expect(await found({ ...mine, bagId: shot?.bagId })).toEqual([late, early])
  expect(await found({ ...mine, coffeeId: prepared('coffee') })).toEqual([late, early])
  expect(await found({ ...mine, purpose: 'sink' })).toEqual([late])
  // Half past midnight of the 22nd, told in UTC, was still the 21st in the Azores.
  expect(await found({ ...mine, until: '2026-11-21' })).toEqual([early])
  expect(await found({ ...mine, from: '2026-11-22' })).toEqual([late])
  expect(await found({ ...mine, before: '2026-11-22T00:30:00.000Z' })).toEqual([])
  expect(await found({ ...mine, purpose: 'sink', from: '2026-11-24' })).toEqual([])
})

test('by what was written of it, signs of patterns too; what was erased is found by nobody', async () => {
  const leaver = await world.make('trainee')
  const noted = await pull({ note: 'Spilt 20% over the tray' }, leaver)
  expect(await found({ text: '20% OVER' })).toEqual([noted])
  expect(await found({ text: '20_ over' })).toEqual([])
  expect(await found({ text: '20% over' }, leaver)).toEqual([noted])
  expect(await found({ text: '20% over' }, trainee)).toEqual([])
  const head = await world.make('head')
  await server
    .of(head)
    .post(`/api/v1/people/${leaver.personId}/erasure`)
    .send({ displayName: leaver.displayName })
    .expect(200)
  expect(await found({ text: '20% over' })).toEqual([])
})

test('what waits for their call is found by nobody who is asked for it, by whatever is known of it', async () => {
  const someone = await world.make('trainee')
  const mine = { personId: someone.personId }
  const sealed = await pull({ isCallAsked: true, note: 'kestrel feather' }, someone, heavy)
  await workOutSaid(server.house)
  const questions = [{ reading: 'dose', standing: 'off' }, { cause: 'dose-high' }, { text: 'feather' }]
  for (const question of questions) {
    expect(await found({ ...mine, ...question })).toEqual([sealed])
    expect(await found(question, someone)).toEqual([])
  }
})

test('a reading without how it stood, and the other way round, is refused by its field', async () => {
  const ask = (query: object) => server.of(trainer).get('/api/v1/shots').query(query)
  const one = await ask({ reading: 'dose' }).expect(422)
  expect(JSON.stringify(one.body)).toContain('"standing"')
  const other = await ask({ standing: 'off' }).expect(422)
  expect(JSON.stringify(other.body)).toContain('"reading"')
})
