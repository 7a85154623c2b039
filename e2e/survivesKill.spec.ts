import { TRAINER, comeInAs, expect } from './fixtures.ts'
import { test } from './ownApp.ts'
import { newId } from './people.ts'

/** More by `npm run kill -- 10000`; then the database is killed as well. */
const SHOTS = Number(process.env['KILL_SHOTS'] ?? 200)
const IS_LONG = SHOTS > 200
/** A kill each time so many more were taken. */
const KILL_EACH = IS_LONG ? 500 : 80
const TRIES = 200
const AT_ONCE = 8

test(`${SHOTS} shots are sent with retries, the server is killed midway: afterwards there are exactly ${SHOTS}`, async ({
  app,
  request,
}) => {
  test.setTimeout(300_000 + 100 * SHOTS)
  const judgedBy = await comeInAs(request, app, TRAINER)
  const listed = (await (await request.get(`${app.url}/api/v1/shots?limit=1`)).json()) as {
    shots: Record<string, unknown>[]
  }
  const { shotId: _shotId, current, tasted: _tasted, ...setting } = listed.shots[0] ?? {}
  const { facts } = current as { facts: object }
  const personId = setting['personId']
  const before = await countShots()
  const waiting = Array.from({ length: SHOTS }, newId)
  let stored = 0
  let failures = 0
  let kills = 0

  async function send(shotId: string): Promise<void> {
    for (let attempt = 0; attempt < TRIES; attempt += 1) {
      try {
        const answer = await request.put(`${app.url}/api/v1/shots/${shotId}`, {
          headers: { Origin: app.url },
          data: { ...setting, judgedBy, facts },
        })
        if (answer.ok()) {
          stored += 1
          return
        }
      } catch {
        failures += 1
      }
      await new Promise((resolve) => setTimeout(resolve, 100))
    }
    throw new Error(`shot ${shotId} was never taken`)
  }

  async function sender(): Promise<void> {
    for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) await send(next)
  }

  async function killMidway(): Promise<void> {
    const isOver = () => stored + KILL_EACH >= SHOTS
    for (let due = KILL_EACH; IS_LONG ? !isOver() : kills === 0; due = stored + KILL_EACH) {
      while (stored < due) await new Promise((resolve) => setTimeout(resolve, 2))
      kills += 1
      // By turns the server, and the database under it.
      if (kills % 2 === 0) {
        await app.database.crash()
        continue
      }
      await app.kill()
      await new Promise((resolve) => setTimeout(resolve, 300))
      await app.restart()
    }
  }

  async function countShots(): Promise<number> {
    let count = 0
    let cursor: string | null = null
    do {
      const page = (await (
        await request.get(`${app.url}/api/v1/shots`, {
          params: { personId: String(personId), limit: 100, ...(cursor !== null && { cursor }) },
        })
      ).json()) as { shots: unknown[]; nextCursor: string | null }
      count += page.shots.length
      cursor = page.nextCursor
    } while (cursor !== null)
    return count
  }

  await Promise.all([killMidway(), ...Array.from({ length: AT_ONCE }, sender)])
  expect(failures).toBeGreaterThan(0)
  expect(stored).toBe(SHOTS)
  expect((await countShots()) - before).toBe(SHOTS)
  if (IS_LONG)
    console.log(`${SHOTS} shots through ${kills} kills, ${failures} times unanswered: none lost, none twice.`)
})
