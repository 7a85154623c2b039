import 'fake-indexeddb/auto'
import type { Problem, ShotInput } from '@calm-apron/contract'
import { unknownFacts } from '@calm-apron/core'
import { type DeviceDatabase, type UnsentWrite, openDeviceDatabase } from './deviceDatabase.ts'
import { type SendOutcome, backOffMs, sendWaiting } from './sender.ts'

const BODY: ShotInput = {
  personId: 'p',
  judgedBy: 'judge',
  recipeRevisionId: 'r',
  barId: 'b',
  grinderId: null,
  bagId: null,
  pulledAt: '2026-11-23T10:00:00Z',
  facts: unknownFacts(),
}
const REFUSAL: Problem = { type: 't', code: 'invalid-input', title: '', status: 422, detail: '' }

const here = () => true

let run = 0
async function outboxOf(...shotIds: string[]): Promise<DeviceDatabase> {
  run += 1
  const database = await openDeviceDatabase(`test-${run}`)
  for (const shotId of shotIds)
    await database.add('outbox', { kind: 'shot', shotId, body: BODY, refused: null })
  return database
}
const idsIn = async (database: DeviceDatabase) =>
  (await database.getAll('outbox')).map(({ shotId }) => shotId)

test('everything is sent in the order it was made, and then gone', async () => {
  const database = await outboxOf('a', 'b', 'c')
  const sent: string[] = []
  const reached = await sendWaiting(database, here, async ({ shotId }) => {
    sent.push(shotId)
    return Promise.resolve<SendOutcome>({ sent: true })
  })
  expect({ reached, sent, left: await idsIn(database) }).toEqual({
    reached: true,
    sent: ['a', 'b', 'c'],
    left: [],
  })
})

test('when the server goes away midway, the rest waits in its order', async () => {
  const database = await outboxOf('a', 'b', 'c')
  const send = async ({ shotId }: UnsentWrite) =>
    Promise.resolve<SendOutcome>(shotId === 'a' ? { sent: true } : { sent: false, refused: null })
  expect(await sendWaiting(database, here, send)).toBe(false)
  expect(await idsIn(database)).toEqual(['b', 'c'])
})

test('a refused write is kept with the reason and holds nobody up', async () => {
  const database = await outboxOf('a', 'b')
  const send = async ({ shotId }: UnsentWrite) =>
    Promise.resolve<SendOutcome>(shotId === 'a' ? { sent: false, refused: REFUSAL } : { sent: true })
  expect(await sendWaiting(database, here, send)).toBe(true)
  expect(await database.getAll('outbox')).toEqual([
    expect.objectContaining({ shotId: 'a', refused: REFUSAL }),
  ])
  let tries = 0
  await sendWaiting(database, here, async () => {
    tries += 1
    return Promise.resolve<SendOutcome>({ sent: true })
  })
  expect(tries).toBe(0)
})

test('a write whose author is not here waits, and holds nobody up', async () => {
  const database = await outboxOf('a')
  await database.add('outbox', {
    kind: 'shot',
    shotId: 'b',
    body: { ...BODY, judgedBy: 'other' },
    refused: null,
  })
  const isOther = (personId: string) => personId === 'other'
  const send = async () => Promise.resolve<SendOutcome>({ sent: true })
  expect(await sendWaiting(database, isOther, send)).toBe(true)
  expect(await idsIn(database)).toEqual(['a'])
})

test('tries grow apart, up to half a minute', () => {
  expect([1, 2, 3, 4, 5, 6, 9].map(backOffMs)).toEqual([1000, 2000, 4000, 8000, 16_000, 30_000, 30_000])
})
