import { LIVE_LINE_PATH, liveNews, sessionState, shotList } from '@calm-apron/contract'
import { type Balancer, type TestApp, openBalancer, startTestApp } from '@calm-apron/scripts/testing'
import { type AtServer, asking, comeInAt } from './testing/comeInAt.ts'
import { newId, shotOf } from './testing/serve.ts'

/** Two servers on one database, behind one address; the second one is asked to stop in the midst. */
let app: TestApp
let second: Awaited<ReturnType<TestApp['beside']>>
let front: Balancer
let trainer: AtServer
const SHOTS = 1000
const SENDERS = 8
const TRIES = 50

beforeAll(async () => {
  app = await startTestApp('demo')
  second = await app.beside()
  front = await openBalancer([app.url, second.url].map((url) => Number(new URL(url).port)))
  trainer = await comeInAt(front.url, 'trainer')
})
afterAll(async () => {
  await front.close()
  await app.remove()
})

test('who came in by one is in at the other', async () => {
  for (const at of [app.url, second.url, front.url]) {
    const answer = await trainer.api('/session', { at })
    expect(sessionState.parse(await answer.json()).person.personId).toBe(trainer.personId)
  }
})

test('what is told to one is heard at the other, at once', async () => {
  const stop = new AbortController()
  const line = await fetch(`${second.url}/api/v1${LIVE_LINE_PATH}`, {
    headers: { Cookie: trainer.cookie },
    signal: stop.signal,
  })
  const shotId = newId()
  const heard: unknown[] = []
  let isTold = false
  const words = new TextDecoder()
  for await (const chunk of line.body ?? []) {
    for (const said of words.decode(chunk).split('\n'))
      if (said.startsWith('data: ')) heard.push(liveNews.parse(JSON.parse(said.slice(6))))
    // The first word says that the line stands.
    if (heard.length > 0 && !isTold) await put(shotId, app.url)
    isTold ||= heard.length > 0
    if (JSON.stringify(heard).includes(shotId)) break
  }
  expect(heard).toContainEqual({ kind: 'shot', shotId, trainingId: null })
  stop.abort()
})

test('wrong tries at both are counted together', async () => {
  const nobody = [asking(app.url, ''), asking(second.url, '')]
  const statuses: number[] = []
  for (let attempt = 0; attempt < 40 && !statuses.includes(429); attempt += 1) {
    const body = { signInName: 'nobody@quay.invalid', password: `wrong-${attempt}-at-the-quay` }
    const answer = await nobody[attempt % 2]?.('/session', { method: 'POST', body })
    statuses.push(answer?.status ?? 0)
  }
  expect(statuses.at(-1)).toBe(429)
  // Held up at the one, it is held up at the other.
  const body = { signInName: 'nobody@quay.invalid', password: 'wrong-again-at-the-quay' }
  const other = await nobody[statuses.length % 2]?.('/session', { method: 'POST', body })
  expect(other?.status).toBe(429)
})

const put = (shotId: string, at = front.url) =>
  trainer.api(`/shots/${shotId}`, { method: 'PUT', body: { ...shotOf(), judgedBy: trainer.personId }, at })

test(`${SHOTS} shots come in while one of the two stops: none is lost, none is there twice`, async () => {
  const count = async () => {
    const seen = new Set<string>()
    let [rows, cursor] = [0, '']
    do {
      const page = shotList.parse(
        await (await trainer.api(`/shots?limit=100${cursor}`, { at: app.url })).json(),
      )
      for (const { shotId } of page.shots) seen.add(shotId)
      rows += page.shots.length
      cursor = page.nextCursor === null ? '' : `&cursor=${encodeURIComponent(page.nextCursor)}`
    } while (cursor !== '')
    return { rows, seen }
  }
  const before = await count()
  const ids = Array.from({ length: SHOTS }, newId)
  const waiting = [...ids]
  let taken = 0
  let stopping = Promise.resolve<number | null>(null)

  async function send(shotId: string): Promise<void> {
    for (let attempt = 0; attempt < TRIES; attempt += 1) {
      // A line that breaks is tried again, as the outbox does.
      const status = await put(shotId).then(
        async (answer) => (await answer.arrayBuffer(), answer.status),
        () => 0,
      )
      if (status === 201 || status === 200) {
        taken += 1
        if (taken === SHOTS / 2) stopping = second.stop()
        return
      }
    }
    throw new Error(`Shot ${shotId} was never taken.`)
  }
  await Promise.all(
    Array.from({ length: SENDERS }, async () => {
      for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) await send(next)
    }),
  )
  expect(await stopping).toBe(0)
  const after = await count()
  expect(after.rows).toBe(before.rows + SHOTS)
  expect(ids.filter((each) => !after.seen.has(each))).toEqual([])
}, 480_000)
