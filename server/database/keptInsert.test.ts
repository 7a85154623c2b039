import { eq } from 'drizzle-orm'
import { demoDatabase } from '../testing/demoDatabase.ts'
import { newId } from '../testing/serve.ts'
import { keptInsert, keptInsertTold, keptInsertUnlessTaken } from './keptInsert.ts'
import type { AcademyTransaction } from './pool.ts'
import { shot, shotRevision } from './schema/index.ts'

let demo: Awaited<ReturnType<typeof demoDatabase>>
beforeAll(async () => {
  demo = await demoDatabase()
})
afterAll(() => demo.remove())

/** Dates, decimals, JSON, closed words, and fields of which nothing is known. */
async function aShot(transaction: AcademyTransaction) {
  const [row] = await transaction.select().from(shot).limit(1)
  if (row === undefined) throw new Error('The demo has no shot.')
  return { ...row, shotId: newId() }
}

test('a row stands there, and is told, as the query builder would have stored it', () =>
  demo.inDemo(async (transaction) => {
    const row = await aShot(transaction)
    const told = await keptInsertUnlessTaken(shot)(transaction, row)
    expect(told).toEqual(row)
    expect(await transaction.select().from(shot).where(eq(shot.shotId, row.shotId))).toEqual([row])
    const [known] = await transaction.select().from(shotRevision).limit(1)
    const facts = { ...(known ?? missing()), shotId: row.shotId, revisionId: newId(), revisionNo: 1 }
    expect(await keptInsertTold(shotRevision)(transaction, facts)).toEqual(facts)
  }))

test('what is not given has its default, what is null has none; each set of fields is a statement of its own', () =>
  demo.inDemo(async (transaction) => {
    const insert = keptInsertUnlessTaken(shot)
    const { isSimulated: _isSimulated, ...rest } = await aShot(transaction)
    expect(await insert(transaction, rest)).toMatchObject({ isSimulated: false })
    expect(
      await insert(transaction, { ...rest, shotId: newId(), isSimulated: true, bagId: null }),
    ).toMatchObject({ isSimulated: true, bagId: null })
    expect(await insert(transaction, { ...rest, shotId: newId(), isSimulated: undefined })).toMatchObject({
      isSimulated: false,
    })
  }))

test('where its key is taken nothing is told, and what is there stays', () =>
  demo.inDemo(async (transaction) => {
    const insert = keptInsertUnlessTaken(shot)
    const row = await aShot(transaction)
    await insert(transaction, row)
    expect(await insert(transaction, { ...row, isSimulated: !row.isSimulated })).toBeNull()
    expect(await transaction.select().from(shot).where(eq(shot.shotId, row.shotId))).toEqual([row])
  }))

test('what the database refuses is refused', () =>
  demo.inDemo(async (transaction) => {
    const [known] = await transaction.select().from(shotRevision).limit(1)
    const again = keptInsert(shotRevision)(transaction, known ?? missing())
    await expect(again).rejects.toMatchObject({ code: '23505' })
  }))

function missing(): never {
  throw new Error('The demo has none.')
}
