import type { Problem } from '@calm-apron/contract'
import { type DeviceDatabase, type UnsentWrite, openDeviceDatabase } from './deviceDatabase.ts'
import { type SendOutcome, backOffMs, sendWaiting } from './sender.ts'
import { shotBy } from './testing/device.ts'

const BODY = shotBy('judge')
const REFUSAL: Problem = { type: 't', code: 'invalid-input', title: '', status: 422, detail: '' }

const here = () => true

let run = 0
async function outboxOf(...shotIds: string[]): Promise<DeviceDatabase> {
  run += 1
  const database = await openDeviceDatabase(`test-${run}`)
  for (const shotId of shotIds)
    await database.add('outbox', { kind: 'shot', shotId, body: BODY, author: 'judge', refused: null })
  return database
}
const idsIn = async (database: DeviceDatabase) => (await database.getAll('outbox')).map(shotOf)
const shotOf = (write: UnsentWrite) => ('shotId' in write ? write.shotId : write.trainingId)

test('everything is sent in the order it was made, and then gone', async () => {
  const database = await outboxOf('a', 'b', 'c')
  const sent: string[] = []
  const reached = await sendWaiting(database, here, async (write) => {
    sent.push(shotOf(write))
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
  const send = async (write: UnsentWrite) =>
    Promise.resolve<SendOutcome>(shotOf(write) === 'a' ? { sent: true } : { sent: false, refused: null })
  expect(await sendWaiting(database, here, send)).toBe(false)
  expect(await idsIn(database)).toEqual(['b', 'c'])
})

test('a refused write is kept with the reason and holds nobody up', async () => {
  const database = await outboxOf('a', 'b')
  const send = async (write: UnsentWrite) =>
    Promise.resolve<SendOutcome>(shotOf(write) === 'a' ? { sent: false, refused: REFUSAL } : { sent: true })
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
    author: 'other',
    refused: null,
  })
  const isOther = ({ author }: UnsentWrite) => author === 'other'
  const send = async () => Promise.resolve<SendOutcome>({ sent: true })
  expect(await sendWaiting(database, isOther, send)).toBe(true)
  expect(await idsIn(database)).toEqual(['a'])
})

test('what belongs to a shot that was refused waits with it, and is not refused for that', async () => {
  const database = await outboxOf('a')
  const said = { calledBy: 'p', stage: 'first', verdict: 'under', cause: null, move: null } as const
  const body = { ...said, calledAt: '2026-11-23T10:00:00Z' }
  for (const shotId of ['a', 'elsewhere'])
    await database.add('outbox', {
      kind: 'call',
      shotId,
      callId: shotId,
      body,
      author: 'judge',
      refused: null,
    })
  const send = async (write: UnsentWrite) =>
    Promise.resolve<SendOutcome>(write.kind === 'shot' ? { sent: false, refused: REFUSAL } : { sent: true })
  await sendWaiting(database, here, send)
  const left = await database.getAll('outbox')
  expect(left.map(({ kind, refused }) => [kind, refused?.code ?? null])).toEqual([
    ['shot', 'invalid-input'],
    ['call', null],
  ])
})

test('tries grow apart, up to half a minute', () => {
  expect([1, 2, 3, 4, 5, 6, 9].map(backOffMs)).toEqual([1000, 2000, 4000, 8000, 16_000, 30_000, 30_000])
})
