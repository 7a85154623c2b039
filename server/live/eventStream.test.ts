import { EventEmitter } from 'node:events'
import type { Response } from 'express'
import { eventStream } from './eventStream.ts'

/** An answer whose reader reads nothing, or goes. */
class Unread extends EventEmitter {
  writableLength = 0
  writableEnded = false
  isDestroyed = false
  writeHead(): void {}
  flushHeaders(): void {}
  write(text: string): void {
    this.writableLength += text.length
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

test('whoever went before anything was begun is cleaned up after at once', () => {
  const res = new Unread()
  const stream = streamOver(res)
  res.emit('close')
  let isCleaned = false
  stream.onGone(() => (isCleaned = true))
  expect([stream.isGone(), isCleaned]).toEqual([true, true])
})
