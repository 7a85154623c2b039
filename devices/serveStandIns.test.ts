import { type DeviceWord, deviceWord, readLines, writeLines } from '@calm-apron/contract'
import WebSocket from 'ws'
import { type StandIns, serveStandIns } from './serveStandIns.ts'

let standIns: StandIns
beforeAll(async () => {
  standIns = await serveStandIns(0, 20)
})
afterAll(() => standIns.stop())

/** Hears until enough was said. */
async function hear(
  path: string,
  orders: readonly object[],
  enough: (all: DeviceWord[]) => boolean,
): Promise<DeviceWord[]> {
  const line = new WebSocket(`${standIns.url}${path}`)
  const all: DeviceWord[] = []
  return new Promise((resolve, reject) => {
    line.on('open', () => line.send(writeLines(orders)))
    line.on('error', reject)
    line.on('message', (text: Buffer) => {
      const { words, unread } = readLines(deviceWord, text.toString())
      if (unread > 0) reject(new Error(`unread: ${text.toString()}`))
      all.push(...words)
      if (enough(all)) {
        line.close()
        resolve(all)
      }
    })
  })
}

test('it says hello, then all that it feels, each line one document of the contract', async () => {
  const all = await hear('/a', [], (heard) => heard.length > 40)
  expect(all[0]).toMatchObject({ kind: 'hello', pace: 20, isStandIn: true })
  expect(new Set(all.map(({ kind }) => kind))).toEqual(
    new Set(['hello', 'weight', 'pressure', 'force', 'temperature']),
  )
  const times = all.flatMap((word) => (word.kind === 'weight' ? [word.t] : []))
  expect(times.slice(1).map((t, at) => t - (times[at] ?? 0))).toEqual(times.slice(1).map(() => 100))
})

test('each path is a bench of its own, and stays as it was left', async () => {
  const heavy = (limit: number) => (heard: DeviceWord[]) =>
    heard.some((word) => word.kind === 'weight' && word.value > limit)
  await hear('/b', [{ kind: 'put', vesselG: 300, contentG: 0 }], heavy(290))
  const again = await hear('/b', [], heavy(290))
  expect(again.length).toBeGreaterThan(0)
  const other = await hear('/c', [], (heard) => heard.length > 8)
  expect(other.every((word) => word.kind !== 'weight' || Math.abs(word.value) < 1)).toBe(true)
})

test('what can’t be read is said to be so, and nothing breaks', async () => {
  const all = await hear('/d', [{ kind: 'dance' }], (heard) => heard.some(({ kind }) => kind === 'trouble'))
  expect(all.some(({ kind }) => kind === 'trouble')).toBe(true)
})
