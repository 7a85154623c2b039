import { preparedList, preparedRecord } from '@calm-apron/contract'
import { type TestServer, grinderThing, newId, prepared, serveTest, somebody } from '../testing/serve.ts'
import { coffeeThing, thingsBy } from '../testing/things.ts'

/** The demo's second trainer. */
const DEMO_TRAINER_2 = '019a5c00-0000-7002-8000-000000000007'

let server: TestServer
let put: ReturnType<typeof thingsBy>['put']
let revise: ReturnType<typeof thingsBy>['revise']
let detailOf: ReturnType<typeof thingsBy>['detailOf']
beforeAll(async () => {
  server = await serveTest()
  ;({ put, revise, detailOf } = thingsBy(server.http))
})
afterAll(() => server.stop())

describe('making and changing', () => {
  test('the same twice is one thing; something else under its id is refused', async () => {
    const id = newId()
    await put(id, grinderThing()).expect(201)
    await put(id, grinderThing()).expect(200)
    const { body } = await put(id, grinderThing({ purgeG: 9 })).expect(409)
    expect(body).toMatchObject({ code: 'id-taken' })
    expect((await detailOf(id)).revisions).toHaveLength(1)
  })

  test('a change is a further revision; earlier ones stay, and a repeated one is one', async () => {
    const [id, revisionId] = [newId(), newId()]
    await put(id, grinderThing()).expect(201)
    await revise(id, 1, grinderThing({ name: 'Renamed' }), revisionId).expect(201)
    await revise(id, 1, grinderThing({ name: 'Renamed' }), revisionId).expect(200)
    const { revisions, content } = await detailOf(id)
    expect(content['name']).toBe('Renamed')
    expect(revisions.map((each) => [each.revisionNo, each.content['name']])).toEqual([
      [2, 'Renamed'],
      [1, 'Spare grinder'],
    ])
    expect(revisions[0]?.changedBy).toBe(somebody('trainer'))
  })

  test('of two changes to one revision the second is shown both versions', async () => {
    const id = newId()
    await put(id, grinderThing()).expect(201)
    await revise(id, 1, grinderThing({ purgeG: 2 })).expect(201)
    const { body } = await revise(id, 1, grinderThing({ purgeG: 7 })).expect(412)
    expect(body).toMatchObject({
      code: 'changed-meanwhile',
      versions: { current: { revisionNo: 2, content: { purgeG: 2 } }, yours: { purgeG: 7 } },
    })
  })

  test('two at the very same moment: one is stored, one is told', async () => {
    const id = newId()
    await put(id, grinderThing()).expect(201)
    const answers = await Promise.all([2, 3].map((purgeG) => revise(id, 1, grinderThing({ purgeG }))))
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 412])
    expect((await detailOf(id)).revisions).toHaveLength(2)
  })

  test('what it belongs to, and its kind, can’t be changed', async () => {
    const id = newId()
    await put(id, grinderThing()).expect(201)
    await revise(id, 1, coffeeThing('No grinder')).expect(409)
    await revise(id, 1, { ...grinderThing(), parentId: newId() }).expect(409)
  })

  test.each<[string, object, string, string]>([
    [
      'a scale that ends before it begins',
      grinderThing({ maxSetting: 0 }),
      'content.maxSetting',
      'ends-before-start',
    ],
    ['a touching point off the scale', grinderThing({ touchingAt: 99 }), 'content.touchingAt', 'off-scale'],
    ['a bar that is none', { ...grinderThing(), parentId: prepared('recipe') }, 'parentId', 'unknown-id'],
    [
      'a lock for nobody',
      grinderThing({ lock: { personId: newId(), reason: 'so it is' } }),
      'content.lock.personId',
      'unknown-id',
    ],
    ['no name', { ...coffeeThing('') }, 'content.name', 'too-small'],
    ['a coffee in a bar', { ...coffeeThing('Here'), parentId: prepared('bar') }, 'parentId', 'wrong-type'],
  ])('%s is refused by its field', async (_, thing, path, reason) => {
    const { body } = await put(newId(), thing).expect(422)
    expect(body).toMatchObject({
      errors: expect.arrayContaining([expect.objectContaining({ path, reason })]),
    })
  })
})

describe('putting away', () => {
  test('it leaves the lists and Today, keeps its revisions, and comes back', async () => {
    const id = newId()
    await put(id, grinderThing({ name: 'Aside grinder' })).expect(201)
    const archive = (isArchived: boolean) => server.http.patch(`/api/v1/prepared/${id}`).send({ isArchived })
    expect(preparedRecord.parse((await archive(true).expect(200)).body).isArchived).toBe(true)
    await archive(true).expect(200)
    const list = async (archived: string) =>
      JSON.stringify((await server.http.get(`/api/v1/prepared?kind=grinder&archived=${archived}`)).body)
    expect([await list('no'), await list('yes')].map((text) => text.includes(id))).toEqual([false, true])
    expect((await server.http.get('/api/v1/today')).text).not.toContain(id)
    await archive(false).expect(200)
    expect(await list('no')).toContain(id)
  })
})

describe('lists', () => {
  test('come by name, page after page, each thing once', async () => {
    for (const name of ['Zebra quay', 'alder quay', 'Birch quay', 'birch quay', 'Cedar quay'])
      await put(newId(), coffeeThing(name)).expect(201)
    const names: string[] = []
    let cursor: string | null = null
    do {
      const after: string = cursor === null ? '' : `&cursor=${encodeURIComponent(cursor)}`
      const page = await server.http
        .get(`/api/v1/prepared?kind=coffee&search=quay&limit=2${after}`)
        .expect(200)
      const read = preparedList.parse(page.body)
      names.push(...read.things.map(({ content }) => String(content['name'])))
      cursor = read.nextCursor
    } while (cursor !== null)
    expect(names.map((name) => name.toLowerCase())).toEqual([
      'alder quay',
      'birch quay',
      'birch quay',
      'cedar quay',
      'zebra quay',
    ])
  })

  test('a search takes every word, and signs as they stand', async () => {
    await put(newId(), coffeeThing('100% harbour_blend')).expect(201)
    const found = async (search: string) =>
      preparedList
        .parse((await server.http.get('/api/v1/prepared').query({ kind: 'coffee', search })).body)
        .things.map(({ content }) => content['name'])
    expect(await found('saltgate harbour_b 100%')).toEqual(['100% harbour_blend'])
    expect(await found('harbourxblend')).toEqual([])
  })

  test('a cursor of one’s own making is refused by name', async () => {
    const { body } = await server.http.get('/api/v1/prepared?kind=coffee&cursor=bm9uc2Vuc2U').expect(422)
    expect(body).toMatchObject({ errors: [{ path: 'cursor' }] })
  })
})

describe('a locked grinder', () => {
  test('is changed by whoever locked it and by a head, and by nobody else', async () => {
    const id = newId()
    const lock = { personId: somebody('trainer'), reason: 'set for the lever course' }
    await put(id, grinderThing({ lock })).expect(201)
    const other = await server.as(DEMO_TRAINER_2)
    const { body } = await thingsBy(other)
      .revise(id, 1, grinderThing({ purgeG: 9, lock }))
      .expect(409)
    expect(body).toMatchObject({ code: 'locked' })
    await other.patch(`/api/v1/prepared/${id}`).send({ isArchived: true }).expect(409)
    await revise(id, 1, grinderThing({ purgeG: 6, lock })).expect(201)
    const head = await server.as(somebody('head'))
    await thingsBy(head)
      .revise(id, 2, grinderThing({ purgeG: 7, lock: null }))
      .expect(201)
    await thingsBy(other)
      .revise(id, 3, grinderThing({ purgeG: 8 }))
      .expect(201)
  })
})
