import { type DeviceWord, deviceOrder, readLines, writeLines } from '@calm-apron/contract'
import { type WebSocket, WebSocketServer } from 'ws'
import { READ_EVERY_MS, StandIn } from './standIn.ts'

export interface StandIns {
  /** Such as `ws://127.0.0.1:4181`; each path below it is a bench of its own. */
  url: string
  stop: () => Promise<void>
}

/** Frames go out at most so often, each with as many lines as have gathered. */
const SEND_EVERY_MS = 50

/**
 * Serves simulated devices on loopback, one bench a path, each speaking one JSON document a line.
 * @param pace how many seconds of the devices' clock pass in one of ours, 1–20
 */
export async function serveStandIns(port: number, pace = 1): Promise<StandIns> {
  const server = new WebSocketServer({ host: '127.0.0.1', port })
  await new Promise<void>((resolve, reject) => {
    server.once('listening', resolve)
    server.once('error', reject)
  })
  const benches = new Map<string, StandIn>()
  const startMs = performance.now()
  const nowMs = () => (performance.now() - startMs) * pace

  server.on('connection', (line, request) => {
    const path = request.url ?? '/'
    const bench = benches.get(path) ?? new StandIn(benches.size + 1)
    benches.set(path, bench)
    attach(line, bench, nowMs, pace)
  })
  const address = server.address()
  const bound = typeof address === 'object' && address !== null ? address.port : port
  return {
    url: `ws://127.0.0.1:${bound}`,
    stop: () =>
      new Promise((resolve) => {
        for (const line of server.clients) line.terminate()
        server.close(() => resolve())
      }),
  }
}

function attach(line: WebSocket, bench: StandIn, nowMs: () => number, pace: number): void {
  if (bench.isGone(nowMs())) {
    line.terminate()
    return
  }
  const hello: DeviceWord = {
    kind: 'hello',
    name: 'Simulated bench',
    sensors: ['scale', 'plate', 'pressure', 'thermometer'],
    pace,
    isStandIn: true,
  }
  line.send(writeLines([hello]))
  let readMs = nowMs()
  const sending = setInterval(() => {
    if (bench.isGone(nowMs())) {
      line.terminate()
      return
    }
    const words: DeviceWord[] = []
    for (; readMs + READ_EVERY_MS <= nowMs(); readMs += READ_EVERY_MS) words.push(...bench.read(readMs))
    if (words.length > 0) line.send(writeLines(words))
  }, SEND_EVERY_MS)
  line.on('message', (text: Buffer) => {
    const { words, unread } = readLines(deviceOrder, text.toString())
    if (unread > 0) line.send(writeLines([{ kind: 'trouble', says: `${unread} lines could not be read` }]))
    for (const order of words) bench.obey(order, nowMs())
  })
  line.on('close', () => clearInterval(sending))
}
