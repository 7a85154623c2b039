import { v7 as uuidv7 } from 'uuid'
import { comeIn, send } from '../comeIn.ts'

/** What tablets are to do: at which server, how many of them, for how long. */
export interface DayOrder {
  url: string
  count: number
  forMs: number
}

/** What became of it: how long each answer took, by what was asked, in ms; how many were refused. */
export interface Day {
  took: Record<string, number[]>
  failed: number
}

const STAGE_EVERY_MS = 500
/** Of so many stages one is followed by the shot that was pulled, one by a look at Today, and one by a switch of people. */
const SHOT_EVERY = 30
const LOOK_EVERY = 15
const SWITCH_EVERY = 60
/** A line is cut and opened again after so many stages, now and then in the midst of a word. */
const LINE_EVERY = 40
const EXPORT_EVERY_MS = 10_000

/** Tablets that follow the live line, tell their stages, record shots, look around, and change hands; and one who exports. */
export async function dayAtTablets({ url, count, forMs }: DayOrder): Promise<Day> {
  const took: Record<string, number[]> = {}
  let failed = 0

  const asker = (cookie: string) => async (what: string, path: string, body?: object) => {
    const startMs = performance.now()
    const answer = await send(url, body === undefined ? 'GET' : 'PUT', path, body, cookie)
    const text = await answer.text()
    if (!answer.ok) {
      failed += 1
      if (failed < 5) console.log(`  ${path}: ${answer.status} ${text.slice(0, 200)}`)
    }
    ;(took[what] ??= []).push(performance.now() - startMs)
    return text
  }

  const trainer = await comeIn(url, 'trainer')
  const first = asker(trainer)
  const { shots } = JSON.parse(await first('list', '/shots?limit=1')) as { shots: Record<string, unknown>[] }
  const { person } = JSON.parse(await first('list', '/session')) as { person: { personId: string } }
  const {
    shotId: _shotId,
    current,
    tasted: _tasted,
    stood: _stood,
    clockAheadS: _ahead,
    ...setting
  } = shots[0] ?? {}
  const { facts } = current as { facts: object }
  const shot = { ...setting, judgedBy: person.personId, note: '', series: null, facts }
  const trainingIds = await Promise.all(
    Array.from({ length: count }, async () => {
      const trainingId = uuidv7()
      const seats = [{ personId: setting['personId'], machineId: null, groupNo: 0 }]
      const { barId, recipeRevisionId } = setting
      const setup = {
        barId,
        recipeRevisionId,
        seats,
        purpose: 'practice',
        routineId: null,
        grinderId: null,
        bagId: null,
        grindOwner: 'trainer',
      }
      const at = new Date().toISOString()
      await first('training', `/trainings/${trainingId}/events/${uuidv7()}`, {
        by: person.personId,
        at,
        happening: { kind: 'started', setup },
      })
      return trainingId
    }),
  )

  function follow(cookie: string): () => void {
    const stop = new AbortController()
    const line = async () => {
      const answer = await fetch(`${url}/api/v1/live`, { headers: { Cookie: cookie }, signal: stop.signal })
      for await (const _words of answer.body ?? []);
    }
    // It ends by being cut.
    line().catch(() => undefined)
    return () => stop.abort()
  }

  async function tablet(no: number, untilMs: number): Promise<void> {
    const trainingId = trainingIds[no] ?? ''
    let cookie = await comeIn(url, 'trainer')
    let ask = asker(cookie)
    let leave = follow(cookie)
    // Not all in the same moment.
    await pause((no / count) * STAGE_EVERY_MS)
    for (let stage = no; performance.now() < untilMs; stage += 1) {
      const startMs = performance.now()
      const at = new Date().toISOString()
      await ask('stage', `/trainings/${trainingId}/stages/a`, {
        personId: setting['personId'],
        shotId: uuidv7(),
        step: 'pull',
        phase: 'flowing',
        pumpS: stage % 60,
        weightG: 12.3,
        at,
      })
      if (stage % SHOT_EVERY === 0)
        await ask('shot', `/shots/${uuidv7()}`, { ...shot, trainingId, pulledAt: at })
      if (stage % LOOK_EVERY === 0) await ask('today', '/today')
      if (stage % LOOK_EVERY === 7) await ask('list', '/shots?limit=20')
      if (stage % LINE_EVERY === 0) {
        leave()
        leave = follow(cookie)
      }
      if (stage % SWITCH_EVERY === 0) {
        leave()
        cookie = await comeIn(url, 'trainer')
        ask = asker(cookie)
        leave = follow(cookie)
      }
      await pause(STAGE_EVERY_MS - (performance.now() - startMs))
    }
    leave()
  }

  async function exporter(untilMs: number): Promise<void> {
    const ask = asker(await comeIn(url, 'head'))
    while (performance.now() < untilMs) {
      await ask('export', `/people/${String(setting['personId'])}/export`)
      await pause(EXPORT_EVERY_MS)
    }
  }

  const untilMs = performance.now() + forMs
  await Promise.all([exporter(untilMs), ...trainingIds.map((_, no) => tablet(no, untilMs))])
  return { took, failed }
}

function pause(ms: number): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve, Math.max(0, ms)))
}
