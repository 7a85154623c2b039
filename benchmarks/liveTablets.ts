import { readFileSync } from 'node:fs'
import { startTestApp } from '@calm-apron/scripts/testing'
import { constants, cpus, setPriority } from 'node:os'
import { v7 as uuidv7 } from 'uuid'
import { comeIn, pageHeaders } from './comeIn.ts'
import { ownProcess } from './ownProcess.ts'
import type { RecordOrder } from './recordShots.ts'

const CHANGES = 200
const GROUPS = 60
/** Shots recorded one after the other while they tell. */
const SHOT_EVERY_MS = 200
const STREAM_S = 60
const TELL_EVERY_MS = 500
/** Of `/proc`: jiffies a second, as Linux has them. */
const JIFFIES_PER_S = 100

const app = await startTestApp('demo')
try {
  const cookie = await comeIn(app.url, 'trainer')
  const headersOf = (session: string) => ({
    ...pageHeaders(app.url, session),
    'Content-Type': 'application/json',
  })
  const headers = headersOf(cookie)
  const api = `${app.url}/api/v1`
  const today = (await (await fetch(`${api}/today`, { headers })).json()) as {
    people: { personId: string; role: string }[]
    recipes: { recipeRevisionId: string }[]
    bars: { barId: string }[]
  }
  const personId = today.people[0]?.personId ?? ''
  const personIds = today.people.filter(({ role }) => role === 'trainee').map((each) => each.personId)
  const me = (await (await fetch(`${api}/session`, { headers })).json()) as { person: { personId: string } }
  const put = async (path: string, body: object, by = headers) => {
    const answer = await fetch(`${api}${path}`, { method: 'PUT', headers: by, body: JSON.stringify(body) })
    if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`)
    await answer.arrayBuffer()
  }

  async function startTraining(): Promise<string> {
    const trainingId = uuidv7()
    const setup = {
      barId: today.bars[0]?.barId,
      purpose: 'practice',
      recipeRevisionId: today.recipes[0]?.recipeRevisionId,
      routineId: null,
      grinderId: null,
      bagId: null,
      grindOwner: 'trainer',
      seats: [{ personId, machineId: null, groupNo: 0 }],
    }
    const event = { by: me.person.personId, at: new Date().toISOString() }
    await put(`/trainings/${trainingId}/events/${uuidv7()}`, {
      ...event,
      happening: { kind: 'started', setup },
    })
    return trainingId
  }

  /** Nobody follows from as many pages as there are tablets in a house: they are several people's. */
  const followers = [cookie, await comeIn(app.url, 'head'), await comeIn(app.url, 'trainer', 1)]
  /** Follows a training; calls back with each stage's sequence number, which is sent as its seconds. */
  async function follow(trainingId: string, heard: (pumpS: number) => void, no = 0): Promise<() => void> {
    const stop = new AbortController()
    const answer = await fetch(`${api}/live`, {
      headers: { Cookie: followers[no % followers.length] ?? '' },
      signal: stop.signal,
    })
    if (!answer.ok) throw new Error(`A line: ${answer.status}`)
    const words = new TextDecoder()
    const reading = (async () => {
      for await (const chunk of answer.body ?? [])
        for (const line of words.decode(chunk, { stream: true }).split('\n'))
          if (line.includes(trainingId))
            for (const [, pumpS] of line.matchAll(/"pumpS":([\d.]+)/g)) heard(Number(pumpS))
    })()
    // It ends by being stopped.
    reading.catch(() => undefined)
    return () => stop.abort()
  }

  const shotId = uuidv7()
  const tell = (trainingId: string, no: number, by = headers) => {
    const stage = { personId, shotId, step: 'pull', phase: 'flowing', pumpS: no / 10, weightG: 12.3 }
    return put(`/trainings/${trainingId}/stages/a`, { ...stage, at: new Date().toISOString() }, by)
  }
  const percentile = (values: number[], share: number) =>
    [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(share * values.length))] ?? NaN

  const trainingId = await startTraining()
  const plainMs: number[] = []
  for (let run = 0; run < CHANGES; run += 1) {
    const startMs = performance.now()
    await (await fetch(`${api}/session`, { headers })).arrayBuffer()
    plainMs.push(performance.now() - startMs)
  }
  const seenMs: number[] = []
  let sentMs = 0
  let wake: () => void = () => undefined
  const leave = await follow(trainingId, () => {
    seenMs.push(performance.now() - sentMs)
    wake()
  })
  await new Promise((resolve) => setTimeout(resolve, 300))
  for (let no = 1; no <= CHANGES; no += 1) {
    const isSeen = new Promise<void>((resolve) => (wake = resolve))
    sentMs = performance.now()
    await Promise.all([tell(trainingId, no), isSeen])
    // As often as ten tablets tell.
    await new Promise((resolve) => setTimeout(resolve, TELL_EVERY_MS / 10))
  }
  leave()
  const baseline = percentile(plainMs, 0.5)
  console.log(`\nA stage told by one tablet and heard by another, ${CHANGES} times, against a plain request:`)
  console.log(
    `  ${percentile(seenMs, 0.5).toFixed(1)} ms median, ${percentile(seenMs, 0.99).toFixed(1)} ms 99th percentile; a plain request ${baseline.toFixed(1)} ms; ratio ${(percentile(seenMs, 0.5) / baseline).toFixed(2)}`,
  )

  const cpuS = () => {
    const fields = readFileSync(`/proc/${app.pid()}/stat`, 'utf8').split(') ')[1]?.split(' ') ?? []
    return (Number(fields[11]) + Number(fields[12])) / JIFFIES_PER_S
  }
  /** Seconds of all cores that the machine under this one kept for others: what then waits says nothing of the server. */
  const withheldS = () => Number(readFileSync('/proc/stat', 'utf8').split(/\s+/)[8]) / JIFFIES_PER_S
  const memoryMb = () =>
    Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${app.pid()}/status`, 'utf8'))?.[1] ?? NaN) / 1024

  const { shots } = (await (await fetch(`${api}/shots?limit=1`, { headers })).json()) as {
    shots: (Record<string, unknown> & { current: { facts: object } })[]
  }
  const [known] = shots
  const {
    shotId: _id,
    current: _current,
    tasted: _tasted,
    stood: _stood,
    clockAheadS: _s,
    ...setting
  } = known ?? missing()
  const shot = {
    ...setting,
    judgedBy: me.person.personId,
    note: '',
    series: null,
    facts: known?.current.facts,
  }

  const startRecorder = () => ownProcess<number[]>(new URL('./recordShots.ts', import.meta.url))
  const recorders = [startRecorder(), startRecorder()]
  // Tablets are machines of their own: what they take of this one's processor is not to be taken from the server.
  setPriority(constants.priority.PRIORITY_BELOW_NORMAL)

  async function recordShots(forMs: number): Promise<number[]> {
    const order: RecordOrder = { url: app.url, cookie, shot, personIds, everyMs: SHOT_EVERY_MS, forMs }
    const recorder = recorders.shift() ?? missing()
    return recorder(order)
  }

  async function stream(
    groups: number,
  ): Promise<{ cpuShare: number; withheldShare: number; heard: number; told: number; shotMs: number[] }> {
    let [told, heard] = [0, 0]
    const ids: string[] = []
    const sessions: string[] = []
    for (let group = 0; group < groups; group += 1) {
      ids.push(await startTraining())
      sessions.push(await comeIn(app.url, 'trainer'))
    }
    const leaving = await Promise.all(ids.map((each, no) => follow(each, () => (heard += 1), no)))
    const [fromS, withheldFromS] = [cpuS(), withheldS()]
    const untilMs = performance.now() + STREAM_S * 1000
    const recording = recordShots(STREAM_S * 1000)
    await Promise.all(
      ids.map(async (each, at) => {
        const by = headersOf(sessions[at] ?? '')
        // Each by its own clock, and not all in the same moment: what held one up does not bring them together.
        let dueMs = performance.now() + (at / groups) * TELL_EVERY_MS
        for (let no = 1; dueMs < untilMs; no += 1) {
          await new Promise((resolve) => setTimeout(resolve, Math.max(0, dueMs - performance.now())))
          await tell(each, no, by)
          told += 1
          while (dueMs < performance.now()) dueMs += TELL_EVERY_MS
        }
      }),
    )
    const cpuShare = (cpuS() - fromS) / STREAM_S
    const withheldShare = (withheldS() - withheldFromS) / STREAM_S / cpus().length
    const shotMs = await recording
    await new Promise((resolve) => setTimeout(resolve, 300))
    for (const each of leaving) each()
    return { cpuShare, withheldShare, heard, told, shotMs }
  }
  const one = await stream(1)
  const many = await stream(GROUPS)
  console.log(
    `  ${GROUPS} groups telling their weight twice a second for ${STREAM_S} s, each followed by a tablet: ${(100 * many.cpuShare).toFixed(0)} % of one core (one group ${(100 * one.cpuShare).toFixed(1)} %, ratio ${(many.cpuShare / one.cpuShare).toFixed(1)}), ${memoryMb().toFixed(0)} MB, ${many.heard} of ${many.told} heard`,
  )
  const [aloneMs, amidMs] = [percentile(one.shotMs, 0.99), percentile(many.shotMs, 0.99)]
  console.log(
    `  a shot recorded meanwhile: ${percentile(many.shotMs, 0.5).toFixed(1)} ms median, ${amidMs.toFixed(1)} ms 99th percentile (beside one group ${percentile(one.shotMs, 0.5).toFixed(1)} and ${aloneMs.toFixed(1)}; ratio ${(amidMs / aloneMs).toFixed(1)}); ${percent(many.withheldShare)} of the processors was kept from this machine meanwhile (${percent(one.withheldShare)})`,
  )
} finally {
  await app.remove()
}

function percent(share: number): string {
  return `${(100 * share).toFixed(1)} %`
}

function missing(): never {
  throw new Error('There is none.')
}
