import { idOf } from '../device/deviceDatabase.ts'
import type { Problem } from '@calm-apron/contract'
import type { UnsentWrite } from '../device/deviceDatabase.ts'
import { type SendOutcome, backOffMs, sendWaiting } from './sender.ts'
import { shotBy } from '../../testing/device.ts'
import type { Settled } from './writeShelf.ts'

const BODY = shotBy('judge')
const REFUSAL: Problem = { type: 't', code: 'invalid-input', title: '', status: 422, detail: '' }

const here = () => true
const sentAlways = async () => Promise.resolve<SendOutcome>({ sent: true })

const shotWrite = (shotId: string): UnsentWrite => ({
  kind: 'shot',
  shotId,
  body: BODY,
  author: 'judge',
  refused: null,
})
const shotOf = (write: UnsentWrite) => ('shotId' in write ? write.shotId : idOf(write))

/** What waits, and what became of each. */
function waiting(...writes: UnsentWrite[]) {
  const settled: [string, string][] = []
  const settle = async (write: UnsentWrite, became: Settled) => {
    settled.push([shotOf(write), 'sentAtMs' in became ? 'sent' : became.refused.code])
    return Promise.resolve()
  }
  return { writes, settled, settle }
}

test('everything is sent in the order it was made', async () => {
  const { writes, settled, settle } = waiting(...['a', 'b', 'c'].map(shotWrite))
  expect(await sendWaiting(writes, here, settle, sentAlways)).toBe(true)
  expect(settled).toEqual([
    ['a', 'sent'],
    ['b', 'sent'],
    ['c', 'sent'],
  ])
})

test('when the server goes away midway, the rest waits', async () => {
  const { writes, settled, settle } = waiting(...['a', 'b', 'c'].map(shotWrite))
  const send = async (write: UnsentWrite) =>
    Promise.resolve<SendOutcome>(shotOf(write) === 'a' ? { sent: true } : { sent: false, refused: null })
  expect(await sendWaiting(writes, here, settle, send)).toBe(false)
  expect(settled).toEqual([['a', 'sent']])
})

test('a refused write is settled with the reason, holds nobody up, and is not tried again', async () => {
  const { writes, settled, settle } = waiting(...['a', 'b'].map(shotWrite))
  const send = async (write: UnsentWrite) =>
    Promise.resolve<SendOutcome>(shotOf(write) === 'a' ? { sent: false, refused: REFUSAL } : { sent: true })
  expect(await sendWaiting(writes, here, settle, send)).toBe(true)
  expect(settled).toEqual([
    ['a', 'invalid-input'],
    ['b', 'sent'],
  ])
  const again = waiting({ ...shotWrite('a'), refused: REFUSAL }, { ...shotWrite('b'), sentAtMs: 1 })
  expect(await sendWaiting(again.writes, here, again.settle, sentAlways)).toBe(true)
  expect(again.settled).toEqual([])
})

test('a write whose author is not here waits, and holds nobody up', async () => {
  const { writes, settled, settle } = waiting(shotWrite('a'), { ...shotWrite('b'), author: 'other' })
  const isOther = ({ author }: UnsentWrite) => author === 'other'
  expect(await sendWaiting(writes, isOther, settle, sentAlways)).toBe(true)
  expect(settled).toEqual([['b', 'sent']])
})

test('what belongs to a shot that was refused waits with it, and is not refused for that', async () => {
  const said = { calledBy: 'p', stage: 'first', verdict: 'under', cause: null, move: null } as const
  const callOn = (shotId: string): UnsentWrite => ({
    kind: 'call',
    shotId,
    callId: `call ${shotId}`,
    body: { ...said, calledAt: '2026-11-23T10:00:00Z' },
    author: 'judge',
    refused: null,
  })
  const { writes, settled, settle } = waiting(shotWrite('a'), callOn('a'), callOn('elsewhere'))
  const send = async (write: UnsentWrite) =>
    Promise.resolve<SendOutcome>(write.kind === 'shot' ? { sent: false, refused: REFUSAL } : { sent: true })
  await sendWaiting(writes, here, settle, send)
  expect(settled).toEqual([
    ['a', 'invalid-input'],
    ['elsewhere', 'sent'],
  ])
})

test('tries grow apart, up to half a minute', () => {
  expect([1, 2, 3, 4, 5, 6, 9].map(backOffMs)).toEqual([1000, 2000, 4000, 8000, 16_000, 30_000, 30_000])
})
