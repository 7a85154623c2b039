import { EventEmitter } from 'node:events'
import type { Response } from 'express'
import { eventStream } from './eventStream.ts'

/** An answer whose reader reads nothing, or goes. */
class Unread extends EventEmitter {
  writableLength = 0
  writableEnded = false
  isDestroyed = false
  readonly pieces: string[] = []
  writeHead(): void {}
  flushHeaders(): void {}
  write(text: string): void {
    this.writableLength += text.length
    this.pieces.push(text)
  }
  destroy(): void {
    this.isDestroyed = true
    this.emit('close')
  }
  end(): void {
    this.writableEnded = true
  }
}

const streamOver = (res: Unread) =>
  // The few parts of an answer that a stream uses.
  eventStream(res as unknown as Response, () => Promise.resolve(true))

test('a reader who reads nothing is let go, and holds no more than its share', () => {
  const res = new Unread()
  const stream = streamOver(res)
  stream.open()
  for (let no = 0; no < 100_000 && !stream.isGone(); no += 1) stream.say({ kind: 'people', no })
  expect(res.isDestroyed).toBe(true)
  expect(res.writableLength).toBeLessThan(300_000)
  stream.say({ kind: 'people' })
  expect(res.writableLength).toBeLessThan(300_000)
})

describe('what is said on it', () => {
  const said = ({ pieces }: Unread) =>
    pieces.map((piece) => [...piece.matchAll(/"no":(\d+)/g)].map(([, no]) => Number(no)))
  beforeEach(() => {
    jest.useFakeTimers({ now: 1_000_000 })
  })
  afterEach(() => {
    jest.useRealTimers()
  })

  test('goes out at once, each by itself', () => {
    const res = new Unread()
    const stream = streamOver(res)
    stream.open()
    for (let no = 0; no < 20; no += 1) {
      jest.advanceTimersByTime(50)
      stream.say({ no })
    }
    expect(said(res)).toEqual(Array.from({ length: 20 }, (_, no) => [no]))
  })

  test('is gathered where it is much: nothing is lost, and of what took another’s place the last alone is sent', () => {
    const res = new Unread()
    const stream = streamOver(res)
    stream.open()
    for (let no = 0; no < 200; no += 1) {
      jest.advanceTimersByTime(10)
      stream.say({ no }, no % 10 === 0 ? undefined : `group ${no % 2}`)
    }
    stream.end()
    const pieces = said(res)
    const all = pieces.flat()
    expect(pieces.length).toBeLessThan(40)
    expect(all.filter((no) => no % 10 === 0)).toEqual(Array.from({ length: 20 }, (_, ten) => 10 * ten))
    expect(all).toEqual([...all].sort((a, b) => a - b))
    expect(all.at(-1)).toBe(199)
    expect(all.length).toBeLessThan(90)
    expect(res.writableEnded).toBe(true)
  })

  test('goes out at once again when it is little', () => {
    const res = new Unread()
    const stream = streamOver(res)
    stream.open()
    for (let no = 0; no < 100; no += 1) stream.say({ no })
    jest.advanceTimersByTime(200)
    expect(said(res).flat()).toHaveLength(100)
    jest.advanceTimersByTime(3000)
    const before = res.pieces.length
    stream.say({ no: 100 })
    expect(said(res).slice(before)).toEqual([[100]])
  })

  test('is not said to whoever went meanwhile', () => {
    const res = new Unread()
    const stream = streamOver(res)
    stream.open()
    for (let no = 0; no < 100; no += 1) stream.say({ no })
    const before = res.pieces.length
    res.emit('close')
    jest.advanceTimersByTime(1000)
    expect(res.pieces).toHaveLength(before)
  })
})

test('whoever went before anything was begun is cleaned up after at once', () => {
  const res = new Unread()
  const stream = streamOver(res)
  res.emit('close')
  let isCleaned = false
  stream.onGone(() => (isCleaned = true))
  expect([stream.isGone(), isCleaned]).toEqual([true, true])
})
