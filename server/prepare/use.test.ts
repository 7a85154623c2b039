import { coffeeUse, today, workedSettings } from '@calm-apron/contract'
import { noNotes } from '@calm-apron/core'
import { type TestServer, newId, prepared, serveTest, shotOf } from '../testing/serve.ts'
import { bagThing, thingsBy } from '../testing/things.ts'

let server: TestServer
let put: ReturnType<typeof thingsBy>['put']
let revise: ReturnType<typeof thingsBy>['revise']
let detailOf: ReturnType<typeof thingsBy>['detailOf']
beforeAll(async () => {
  server = await serveTest()
  ;({ put, revise, detailOf } = thingsBy(server.http))
})
afterAll(() => server.stop())

describe('what shots use', () => {
  const useOf = async (bagId: string) => {
    const answer = await server.http.get('/api/v1/coffee-use').expect(200)
    return coffeeUse.parse(answer.body).bags.find((each) => each.bagId === bagId)
  }

  test('a bag is counted down by doses and by purges after a change, from where it was last weighed', async () => {
    const bagId = newId()
    await put(bagId, bagThing()).expect(201)
    const pull = (minute: number, grindSetting: number, grinderPurged: boolean) =>
      server.http
        .put(`/api/v1/shots/${newId()}`)
        .send({
          ...shotOf({ grindSetting, grinderPurged }, `2026-11-23T10:${minute}:00.000Z`),
          bagId,
          grinderId: prepared('grinder'),
        })
        .expect(201)
    await pull(10, 14, false)
    await pull(20, 13, true)
    // Purged, they say, but nothing had changed since: no grams went.
    await pull(30, 13, true)
    expect(await useOf(bagId)).toEqual({ bagId, shots: 3, groundG: expect.closeTo(3 * 18.2 + 5, 6) })
    await revise(bagId, 1, bagThing(prepared('coffee'), { at: '2026-11-23T10:25:00Z', leftG: 900 })).expect(
      201,
    )
    expect(await useOf(bagId)).toEqual({ bagId, shots: 1, groundG: expect.closeTo(18.2, 6) })
  })

  test('what was not pulled for real uses no coffee, and says nothing of a grinder', async () => {
    const bagId = newId()
    await put(bagId, bagThing()).expect(201)
    const facts = shotOf({
      grindSetting: 31.5,
      ...{ machineHot: true, basketDry: true, rightBasket: true, bedEven: true, grinderPurged: true },
      dose: { by: 'net', netG: 18.4 },
      clock: { firstDrop: 'marked', firstDropS: 7, stopS: 28, estimated: false },
      cup: { by: 'net', netG: 39 },
    }).facts
    const pull = (isSimulated: boolean) =>
      server.http
        .put(`/api/v1/shots/${newId()}`)
        .send({ ...shotOf({}, new Date().toISOString()), facts, bagId, isSimulated })
        .expect(201)
    const worked = async () =>
      workedSettings
        .parse((await server.http.get(`/api/v1/prepared/${prepared('grinder')}/worked`)).body)
        .settings.some(({ highest }) => highest >= 31.5)
    await pull(true)
    expect(await useOf(bagId)).toBeUndefined()
    expect(await worked()).toBe(false)
    await pull(false)
    expect((await useOf(bagId))?.shots).toBe(1)
    expect(await worked()).toBe(true)
  })

  test('what a shot’s beans and grounds weighed says what the grinder keeps', async () => {
    const facts = shotOf({
      dose: { by: 'net', netG: 18.2 },
      noted: { ...noNotes(), beansInG: 18.9 },
    }).facts
    const body = { ...shotOf({}, new Date().toISOString()), facts }
    await server.http.put(`/api/v1/shots/${newId()}`).send(body).expect(201)
    const told = await server.http.get(`/api/v1/prepared/${prepared('grinder')}/worked`)
    const [newest] = workedSettings.parse(told.body).retainedG
    expect(newest).toBeCloseTo(0.7)
  })

  test('a coffee’s pace counts bags that are empty since', async () => {
    const bagId = newId()
    const thing = bagThing()
    await put(bagId, thing).expect(201)
    const pace = async () => {
      const answer = coffeeUse.parse((await server.http.get('/api/v1/coffee-use').expect(200)).body)
      return answer.pace.find((each) => each.coffeeId === thing.parentId)?.gramsPerDay ?? 0
    }
    const before = await pace()
    await server.http
      .put(`/api/v1/shots/${newId()}`)
      .send({ ...shotOf({}, new Date().toISOString()), bagId })
      .expect(201)
    const used = await pace()
    expect(used).toBeGreaterThan(before)
    const finishedOn = new Date().toISOString().slice(0, 10)
    await revise(bagId, 1, { ...thing, content: { ...thing.content, finishedOn } }).expect(201)
    expect(await pace()).toBeCloseTo(used, 6)
    expect(await useOf(bagId)).toBeUndefined()
  })

  test('settings that worked are told by coffee; a move of the inner burr shifts them, or ends their history', async () => {
    const worked = async () => {
      const answer = await server.http.get(`/api/v1/prepared/${prepared('grinder')}/worked`).expect(200)
      return workedSettings.parse(answer.body).settings
    }
    const before = await worked()
    expect(before.length).toBeGreaterThan(0)
    for (const { lowest, median, highest } of before) {
      expect(lowest).toBeLessThanOrEqual(median)
      expect(median).toBeLessThanOrEqual(highest)
    }
    const moveTo = async (at: number, settingsPerUnit: number | null) => {
      const { content, revisionNo, parentId } = await detailOf(prepared('grinder'))
      const thing = { kind: 'grinder', parentId, content: { ...content, innerBurr: { at, settingsPerUnit } } }
      await revise(prepared('grinder'), revisionNo, thing).expect(201)
    }
    await moveTo(4, 6)
    expect((await worked()).map(({ median }) => median)).toEqual(before.map(({ median }) => median - 6))
    await moveTo(5, null)
    expect(await worked()).toEqual([])
  })

  test('a shot keeps the revision it was judged by', async () => {
    const recipeId = prepared('recipe')
    const { content, revisionNo } = await detailOf(recipeId)
    const shotId = newId()
    await server.http.put(`/api/v1/shots/${shotId}`).send(shotOf()).expect(201)
    await revise(recipeId, revisionNo, {
      kind: 'recipe',
      parentId: null,
      content: { ...content, name: 'Renamed double' },
    }).expect(201)
    const { body } = await server.http.get(`/api/v1/shots/${shotId}`).expect(200)
    expect(body).toMatchObject({
      recipe: { recipeRevisionId: recipeId, revisionNo: 1, name: 'House double' },
    })
    const { earlierRecipes } = today.parse((await server.http.get('/api/v1/today').expect(200)).body)
    expect(earlierRecipes.map(({ recipeRevisionId }) => recipeRevisionId)).toContain(recipeId)
    await server.http
      .put(`/api/v1/shots/${newId()}`)
      .send({ ...shotOf(), recipeRevisionId: prepared('coffee') })
      .expect(422)
  })
})
