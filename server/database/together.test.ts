import { sql } from 'drizzle-orm'
import { demoDatabase } from '../testing/demoDatabase.ts'
import type { AcademyTransaction } from './pool.ts'
import { rowsAsTheyCome } from './rowsAsTheyCome.ts'
import { outcomeOf, together } from './together.ts'

let demo: Awaited<ReturnType<typeof demoDatabase>>
beforeAll(async () => {
  demo = await demoDatabase()
})
afterAll(() => demo.remove())

const ask = async (transaction: AcademyTransaction, what: string) =>
  (await transaction.execute<{ said: number }>(sql.raw(`select ${what} as said`)).execute()).rows[0]?.said

test('all is asked before anything is answered, in the order in which it stands', async () => {
  const happened: string[] = []
  const said = await demo.inDemo(async (transaction) => {
    const noted = async (what: string) => {
      happened.push(`asked ${what}`)
      const answer = await ask(transaction, what)
      happened.push(`told ${what}`)
      return answer
    }
    return together([noted('1'), noted('2'), noted('3')])
  })
  expect(said).toEqual([1, 2, 3])
  expect(happened).toEqual(['asked 1', 'asked 2', 'asked 3', 'told 1', 'told 2', 'told 3'])
})

test('of what fails the first that stands there is thrown, and none that was refused only for its sake', async () => {
  const late = async (transaction: AcademyTransaction) => {
    await ask(transaction, '1')
    // Behind the failed one: refused, whatever it asks.
    return ask(transaction, '2')
  }
  const broken = demo.inDemo((transaction) => together([late(transaction), ask(transaction, '1 / 0')]))
  await expect(broken).rejects.toMatchObject({ cause: { code: '22012' } })
  const both = demo.inDemo((transaction) =>
    together([
      ask(transaction, '1').then(() => Promise.reject(new Error('first'))),
      Promise.reject(new Error('sooner')),
    ]),
  )
  await expect(both).rejects.toThrow('first')
  // Nothing of it is left at the connections.
  expect(await demo.inDemo((transaction) => ask(transaction, '4'))).toBe(4)
})

test('a row that can’t be read fails its own question and no other', async () => {
  const numbers = { text: 'select generate_series(1, $1::int)', name: undefined, values: [3] }
  await demo.inDemo(async (transaction) => {
    const broken = rowsAsTheyCome(transaction.$client, numbers, ([no]) => {
      if (no === 2) throw new Error('two')
      return no
    })
    const whole = rowsAsTheyCome(transaction.$client, numbers, ([no]) => no)
    await expect(broken).rejects.toMatchObject({ cause: new Error('two') })
    expect(await whole).toEqual([1, 2, 3])
  })
})

test('what was asked ahead is told or thrown once it is wanted, and not before', async () => {
  const told = await outcomeOf(Promise.resolve(7))
  const failed = await outcomeOf(Promise.reject(new Error('not there')))
  expect(told()).toBe(7)
  expect(failed).toThrow('not there')
})
