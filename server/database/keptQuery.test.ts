import { eq, getTableColumns, sql } from 'drizzle-orm'
import { demoDatabase } from '../testing/demoDatabase.ts'
import { DEMO } from '../testing/serve.ts'
import { filteredQuery, keptQuery } from './keptQuery.ts'
import { freeText, shot, shotRevision } from './schema/index.ts'

let demo: Awaited<ReturnType<typeof demoDatabase>>
beforeAll(async () => {
  demo = await demoDatabase()
})
afterAll(() => demo.remove())

/** Dates, decimals, JSON, an expression, and groups of joins that find nothing. */
const FIELDS = {
  shot: getTableColumns(shot),
  revision: getTableColumns(shotRevision),
  reason: getTableColumns(freeText),
  isLate: sql<boolean>`${shotRevision.receivedAt} > ${shotRevision.recordedAt}`,
  beside: { stopS: shotRevision.stopS, why: freeText.content },
}
const ITS_REVISION = eq(shotRevision.shotId, shot.shotId)
const ITS_REASON = eq(freeText.textId, shotRevision.reasonTextId)

test('it finds the very rows that the query finds when it is built anew', async () => {
  const kept = keptQuery((builder) =>
    builder
      .select(FIELDS)
      .from(shot)
      .innerJoin(shotRevision, ITS_REVISION)
      .leftJoin(freeText, ITS_REASON)
      .where(eq(shot.personId, sql.placeholder('personId')))
      .orderBy(shot.shotId),
  )
  const people = [...new Set(DEMO.shots.map(({ personId }) => personId))]
  expect(people.length).toBeGreaterThan(1)
  for (const personId of people)
    await demo.inDemo(async (transaction) => {
      const anew = await transaction
        .select(FIELDS)
        .from(shot)
        .innerJoin(shotRevision, ITS_REVISION)
        .leftJoin(freeText, ITS_REASON)
        .where(eq(shot.personId, personId))
        .orderBy(shot.shotId)
      expect(anew.length).toBeGreaterThan(0)
      expect(await kept(transaction, { personId })).toEqual(anew)
      expect(await kept(transaction, { personId })).toEqual(anew)
    })
})

test('it is built once for each of its shapes', async () => {
  const built: unknown[] = []
  const kept = filteredQuery({ none: sql`false`, all: sql`true` }, [], (builder, where) => {
    built.push(where)
    return builder.select({ shotId: shot.shotId }).from(shot).where(where)
  })
  const counts = await demo.inDemo(async (transaction) => [
    (await kept(transaction, { all: true, none: false })).length,
    (await kept(transaction, { none: true })).length,
    (await kept(transaction, { all: true, none: undefined })).length,
  ])
  expect(counts).toEqual([DEMO.shots.length, 0, DEMO.shots.length])
  expect(built).toHaveLength(2)
})

test('it finds as many rows as are asked for, whether it is planned once or by its values', async () => {
  for (const isPlannedOnce of [true, false]) {
    const kept = keptQuery(
      (builder) => builder.select({ shotId: shot.shotId }).from(shot).orderBy(shot.shotId),
      isPlannedOnce,
    )
    await demo.inDemo(async (transaction) => {
      const all = await kept(transaction, {})
      expect(all.length).toBeGreaterThan(3)
      for (const most of [1, 2, 3, 1000])
        expect(await kept(transaction, {}, most)).toEqual(all.slice(0, most))
    })
  }
})

test('statements with values are kept by the connection under a name, others are not', async () => {
  const client = await demo.pool.connect()
  try {
    for (let turn = 0; turn < 2; turn += 1) await client.query('select $1::int as kept', [turn])
    await client.query('select 1 as loose')
    const { rows } = await client.query<{ statement: string }>('select statement from pg_prepared_statements')
    const texts = rows.map(({ statement }) => statement)
    expect(texts.filter((each) => each.includes('as kept'))).toHaveLength(1)
    expect(texts.filter((each) => each.includes('as loose'))).toHaveLength(0)
  } finally {
    client.release()
  }
})
