/**
 * What the server makes of a kind that was added beside the others, and nowhere else, as JSON. Run in a process of its own
 * by `toyKind.test.ts`.
 */
import { addToyKind } from '@calm-apron/contract/testing'

addToyKind()
const { openPool } = await import('../database/pool.ts')
const { newId, prepared, serveTest, somebody } = await import('./serve.ts')
const { thingsBy } = await import('./things.ts')

const server = await serveTest()
// The one line that a further kind's migration has.
await server.database.asOwner('alter table prepared drop constraint prepared_kind')
const { put, revise, detailOf } = thingsBy(server.http)
// The types know the kinds that ship.
const toy = (content: object = {}, parentId: string | null = prepared('bar')) =>
  ({
    kind: 'toy',
    parentId,
    content: {
      name: 'Warming stone',
      heatsG: 120,
      brokenOn: null,
      fitsBasketId: null,
      marks: [],
      lock: null,
      glow: 'bright',
      ...content,
    },
  }) as never

async function refused(thing: never): Promise<unknown> {
  const { errors } = (await put(newId(), thing).expect(422)).body as { errors: { path: string }[] }
  return errors.map(({ path }) => path)
}

const database = openPool(server.database.superuserUrl, () => undefined)
async function overOn(preparedId: string): Promise<unknown> {
  const asked = 'select over_on::text from prepared where prepared_id = $1'
  return (await database.query<{ over_on: string }>(asked, [preparedId])).rows[0]?.over_on
}

const [id, locked] = [newId(), newId()]
await put(id, toy()).expect(201)
await revise(id, 1, toy({ heatsG: 140, fitsBasketId: prepared('basket') })).expect(201)
await put(locked, toy({ lock: { personId: somebody('head'), reason: 'Hot' } })).expect(201)
const listed = await server.http.get('/api/v1/prepared').query({ kind: 'toy' }).expect(200)
await revise(id, 2, toy({ brokenOn: '2026-11-27' })).expect(201)
const preview = await server.http.post('/api/v1/prepared/import').send({
  isPreview: true,
  earlierIds: [],
  rows: [
    { preparedId: newId(), thing: toy({ fitsBasketId: newId() }) },
    { preparedId: newId(), thing: toy() },
  ],
})
process.stdout.write(
  JSON.stringify({
    heatsG: (await detailOf(id)).revisions.map(({ content }) => content['heatsG']),
    listed: (listed.body as { things: { content: object }[] }).things.length,
    refused: {
      noRoom: await refused(toy({}, null)),
      wrongBasket: await refused(toy({ fitsBasketId: prepared('bar') })),
      tooHeavy: await refused(toy({ heatsG: -1 })),
      lockedForNobody: await refused(toy({ lock: { personId: newId(), reason: 'Hot' } })),
    },
    whileLocked: ((await revise(locked, 1, toy())).body as { code: string }).code,
    overOn: await overOn(id),
    preview: (preview.body as { rows: { outcome: string; errors: { path: string }[] }[] }).rows.map(
      ({ outcome, errors }) => [outcome, ...errors.map(({ path }) => path)],
    ),
  }),
)
await database.end()
await server.stop()
process.exit(0)
