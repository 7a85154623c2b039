import { today } from '@calm-apron/contract'
import { type TestServer, newId, prepared, serveTest, shotOf } from '../testing/serve.ts'
import { bagThing, thingsBy } from '../testing/things.ts'

let server: TestServer
beforeAll(async () => {
  server = await serveTest()
})
afterAll(async () => {
  await server.stop()
})

const read = async () => today.parse((await server.http.get('/api/v1/today').expect(200)).body)

test('one thing that can’t be read is left out and named, and keeps nothing else from anybody', async () => {
  const before = await read()
  const [lost, kept] = before.coffees
  await server.database.asOwner(`
    select set_config('calm_apron.academy_id', '${before.academy.academyId}', false);
    update prepared_revision set content = content || '{"density": "heavy"}' where prepared_id = '${lost?.coffeeId ?? ''}'`)
  const after = await read()
  expect(after.unreadable).toEqual([{ preparedId: lost?.coffeeId, name: lost?.name }])
  expect(after.coffees.map(({ coffeeId }) => coffeeId)).toContain(kept?.coffeeId)
  expect(after.coffees.map(({ coffeeId }) => coffeeId)).not.toContain(lost?.coffeeId)
  expect(after.recipes).toEqual(before.recipes)
})

test('a bag is there until it is finished, and again when that was a slip', async () => {
  const bagId = newId()
  const thing = bagThing(prepared('coffee'))
  const things = thingsBy(server.http)
  await things.put(bagId, thing).expect(201)
  const isThere = async () =>
    (await read()).coffees.some(({ bags }) => bags.some((bag) => bag.bagId === bagId))
  const finishedOn = async (date: string | null, basedOnNo: number) =>
    server.http
      .put(`/api/v1/prepared/${bagId}/revisions/${newId()}`)
      .send({ basedOnNo, thing: { ...thing, content: { ...thing.content, finishedOn: date } } })
      .expect(201)
  expect(await isThere()).toBe(true)
  await finishedOn('2026-11-27', 1)
  expect(await isThere()).toBe(false)
  await finishedOn(null, 2)
  expect(await isThere()).toBe(true)
})

test('of a machine that stops by itself one is told what was in its last cups, by group and recipe, without anybody’s name', async () => {
  const machine = { machineId: prepared('machine'), groupNo: 0 }
  const pull = (netG: number, minute: number, also: object = {}) =>
    server.http
      .put(`/api/v1/shots/${newId()}`)
      .send({
        ...shotOf({ cup: { by: 'net', netG } }, `2026-11-26T10:${minute}:00.000Z`),
        ...machine,
        ...also,
      })
      .expect(201)
  const cupsNow = async () =>
    (await read()).yields.find(
      (each) =>
        each.machineId === machine.machineId && each.groupNo === 0 && each.recipeId === prepared('recipe'),
    )?.cupsG ?? []
  const before = (await cupsNow()).length
  await pull(36.5, 10)
  await pull(37.25, 20)
  // Not pulled for real, and not finished.
  await pull(60, 30, { isSimulated: true })
  await pull(11, 40, { facts: shotOf({ cup: { by: 'net', netG: 11 }, abandoned: 'choked' }).facts })
  expect((await cupsNow()).slice(-2)).toEqual([36.5, 37.25])
  expect(await cupsNow()).toHaveLength(before + 2)
})
