import { importReport, preparedFile } from '@calm-apron/contract'
import { type TestServer, grinderThing, newId, serveTest } from '../testing/serve.ts'
import { bagThing, coffeeThing, thingsBy } from '../testing/things.ts'

let server: TestServer
let detailOf: ReturnType<typeof thingsBy>['detailOf']
beforeAll(async () => {
  server = await serveTest()
  ;({ detailOf } = thingsBy(server.http))
})
afterAll(() => server.stop())

describe('files', () => {
  test('what goes out comes in again as it is, and a changed row as a revision', async () => {
    const file = preparedFile.parse((await server.http.get('/api/v1/prepared-file').expect(200)).body)
    // A lock names somebody of one academy, and is told in a test of its own.
    const rows = file.things.filter(({ thing }) => thing.kind !== 'grinder')
    const send = (isPreview: boolean, sent: object[]) =>
      server.http.post('/api/v1/prepared/import').send({ isPreview, earlierIds: [], rows: sent })
    const same = await send(true, rows.slice(0, 200)).expect(200)
    expect(new Set(importReport.parse(same.body).rows.map(({ outcome }) => outcome))).toEqual(
      new Set(['same']),
    )

    const coffee = rows.find(({ thing }) => thing.kind === 'coffee')
    if (!coffee) throw new Error('no coffee in the file')
    const renamed = {
      ...coffee,
      thing: { ...coffee.thing, content: { ...coffee.thing.content, name: 'Renamed by file' } },
    }
    const before = await detailOf(coffee.preparedId)
    await send(true, [renamed]).expect(200)
    expect((await detailOf(coffee.preparedId)).revisionNo).toBe(before.revisionNo)
    const { body } = await send(false, [renamed]).expect(200)
    expect(body).toMatchObject({ rows: [{ outcome: 'changed' }] })
    expect((await detailOf(coffee.preparedId)).content['name']).toBe('Renamed by file')
  })

  test('an id that stood in an earlier piece of the file is told as well', async () => {
    const coffeeId = newId()
    const rows = [{ preparedId: coffeeId, thing: coffeeThing('First') }]
    const send = (isPreview: boolean, earlierIds: string[]) =>
      server.http.post('/api/v1/prepared/import').send({ isPreview, earlierIds, rows }).expect(200)
    for (const isPreview of [true, false]) {
      const answer = importReport.parse((await send(isPreview, [coffeeId])).body)
      expect(answer.rows).toMatchObject([{ outcome: 'refused', errors: [{ reason: 'twice' }] }])
    }
    expect(importReport.parse((await send(false, [])).body).rows).toMatchObject([{ outcome: 'new' }])
  })

  test('an id that is known and stands in a file twice is changed once, and told the second time', async () => {
    const coffeeId = newId()
    const send = (isPreview: boolean, ...names: string[]) =>
      server.http
        .post('/api/v1/prepared/import')
        .send({
          isPreview,
          earlierIds: [],
          rows: names.map((name) => ({ preparedId: coffeeId, thing: coffeeThing(name) })),
        })
        .expect(200)
    const told = (body: unknown) =>
      importReport.parse(body).rows.map(({ outcome, errors }) => [outcome, errors[0]?.reason])
    await send(false, 'As it was')
    for (const isPreview of [true, false])
      expect(told((await send(isPreview, 'First', 'Second')).body)).toEqual([
        ['changed', undefined],
        ['refused', 'twice'],
      ])
    expect(await detailOf(coffeeId)).toMatchObject({ revisionNo: 2, content: { name: 'First' } })
  })

  test('bad rows are told one by one and hold up no other', async () => {
    const [good, child, orphan, twice] = [newId(), newId(), newId(), newId()]
    const rows = [
      // The bag stands before its coffee: the file's order doesn't matter.
      { preparedId: child, thing: bagThing(good) },
      { preparedId: good, thing: coffeeThing('From a file') },
      { preparedId: orphan, thing: bagThing(newId()) },
      { preparedId: twice, thing: coffeeThing('Once') },
      { preparedId: twice, thing: coffeeThing('Twice') },
      {
        preparedId: newId(),
        thing: { ...coffeeThing('Bad'), content: { ...coffeeThing('Bad').content, bagG: 'much' } },
      },
      { nonsense: true },
      { preparedId: newId(), thing: grinderThing({ lock: { personId: newId(), reason: 'theirs' } }) },
    ]
    const { body } = await server.http
      .post('/api/v1/prepared/import')
      .send({ isPreview: false, earlierIds: [], rows })
      .expect(200)
    const told = importReport
      .parse(body)
      .rows.map(({ row, outcome, errors }) => [row, outcome, errors[0]?.path])
    expect(told).toEqual([
      [0, 'new', undefined],
      [1, 'new', undefined],
      [2, 'refused', 'thing.parentId'],
      [3, 'new', undefined],
      [4, 'refused', 'preparedId'],
      [5, 'refused', 'thing.content.bagG'],
      [6, 'refused', 'preparedId'],
      [7, 'refused', 'thing.content.lock'],
    ])
    expect((await detailOf(child)).parentId).toBe(good)
    await server.http.get(`/api/v1/prepared/${orphan}`).expect(404)
  })

  test('the schema of the files is published', async () => {
    const { body } = await server.http.get('/api/v1/schemas/prepared.json').expect(200)
    expect(body).toMatchObject({ type: 'object', properties: { format: { const: 'calm-apron-prepared' } } })
  })
})
