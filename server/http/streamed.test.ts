import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { CONTRACT_HEADER, CONTRACT_VERSION, ENDPOINTS, personExport } from '@calm-apron/contract'
import express, { Router } from 'express'
import pino from 'pino'
import { type TestServer, serveTest } from '../testing/serve.ts'
import { type Somebody, worldIn } from '../testing/world.ts'
import { requestLog } from './logging.ts'
import { oneAtATime } from './oneAtATime.ts'
import { answerProblem } from './problems.ts'
import { type DocumentPart, type Within, serveStreamed } from './streamed.ts'

type Part = DocumentPart<ReturnType<typeof personExport.parse>>

let server: TestServer
let trainee: Somebody
beforeAll(async () => {
  server = await serveTest()
  trainee = await worldIn(server.house).make('trainee')
})
afterAll(async () => {
  await server.stop()
})

/** A server whose export is made of these parts. */
async function listeningWith(parts: (within: Within) => AsyncIterable<Part>) {
  const router = Router()
  serveStreamed(server.house, router, ENDPOINTS.exportPerson, (_asked, within) => parts(within))
  const app = express().use(requestLog(pino({ level: 'silent' })), router, answerProblem)
  const listening = createServer(app)
  await new Promise<void>((resolve) => listening.listen(0, '127.0.0.1', resolve))
  const { port } = listening.address() as AddressInfo
  const get = (isFormer = false) =>
    fetch(`http://127.0.0.1:${port}/people/${trainee.personId}/export`, {
      headers: { Cookie: trainee.cookie, [CONTRACT_HEADER]: isFormer ? '1' : String(CONTRACT_VERSION) },
    })
  const close = () => new Promise((resolve) => listening.close(resolve).closeAllConnections())
  return { get, close }
}

test('what comes in parts is one document, its lists in one piece', async () => {
  const { get, close } = await listeningWith(async function* (within): AsyncGenerator<Part> {
    yield { field: 'version', value: await within(() => Promise.resolve(1 as const)) }
    yield { list: 'sessions', items: [] }
    yield { list: 'calls', items: [] }
    yield { list: 'calls', items: [] }
    yield { field: 'withheldShots', value: 2 }
  })
  const answer = await get()
  expect(answer.status).toBe(200)
  expect(await answer.json()).toEqual({ version: 1, sessions: [], calls: [], withheldShots: 2 })
  // A page of the last release is not told what it did not know of.
  expect(await (await get(true)).json()).toEqual({ version: 1, sessions: [], calls: [] })
  await close()
})

test('many more pieces than anyone takes at once leave nothing behind, and a reader who goes ends them', async () => {
  let made = 0
  let end: () => void = () => undefined
  const ended = new Promise<void>((resolve) => (end = resolve))
  const { get, close } = await listeningWith(async function* (within): AsyncGenerator<Part> {
    try {
      for (; made < 5000; made += 1) {
        const sessions = await within(() => Promise.resolve(Array(20).fill('x'.repeat(1000)) as never[]))
        yield { list: 'sessions', items: sessions }
      }
    } finally {
      end()
    }
  })
  const answer = await get()
  const reader = answer.body?.getReader()
  await reader?.read()
  await reader?.cancel()
  await ended
  // Sent no faster than it was taken.
  expect(made).toBeLessThan(5000)
  await close()
})

test('what is refused before its first part is a problem; what breaks after it is no whole document', async () => {
  let isBegun = false
  const { get, close } = await listeningWith(async function* (within): AsyncGenerator<Part> {
    if (isBegun) yield { field: 'version', value: 1 }
    await within(() => Promise.reject(new Error('lost')))
  })
  expect((await get()).status).toBe(500)
  isBegun = true
  await expect(get().then((answer) => answer.text())).rejects.toThrow()
  await close()
})

test('each part is made only once whoever asked has a right to it still', async () => {
  let beforeSecond = (): Promise<unknown> => Promise.resolve()
  const { get, close } = await listeningWith(async function* (within): AsyncGenerator<Part> {
    yield { field: 'version', value: 1 }
    await beforeSecond()
    yield { field: 'withheldShots', value: await within(() => Promise.resolve(3)) }
  })
  expect(await (await get()).json()).toEqual({ version: 1, withheldShots: 3 })
  const leaver = await worldIn(server.house).make('trainee')
  beforeSecond = () => server.of(trainee).delete('/api/v1/session').expect(200)
  await expect(get().then((answer) => answer.text())).rejects.toThrow()
  trainee = leaver
  await close()
})

test('one who has a file made waits for it before the next; others don’t', async () => {
  let end: () => void = () => undefined
  const ended = new Promise<void>((resolve) => (end = resolve))
  const parts = async function* () {
    yield 1
    await ended
  }
  const first = oneAtATime('a', parts())
  await first.next()
  await expect(oneAtATime('a', parts()).next()).rejects.toMatchObject({ code: 'slow-down' })
  expect(await oneAtATime('b', parts()).next()).toEqual({ done: false, value: 1 })
  end()
  await first.next()
  expect(await oneAtATime('a', parts()).next()).toEqual({ done: false, value: 1 })
})
