import { readFileSync } from 'node:fs'
import { startTestApp } from '@calm-apron/scripts/testing'
import { v7 as uuidv7 } from 'uuid'
import { comeIn } from './comeIn.ts'

const CHANGES = 200
const GROUPS = 50
const STREAM_S = 15
const TELL_EVERY_MS = 500
/** Of `/proc`: jiffies a second, as Linux has them. */
const JIFFIES_PER_S = 100

const app = await startTestApp('demo')
try {
  const cookie = await comeIn(app.url, 'trainer')
  const headers = { Cookie: cookie, Origin: app.url, 'Content-Type': 'application/json' }
  const api = `${app.url}/api/v1`
  const today = (await (await fetch(`${api}/today`, { headers })).json()) as {
    people: { personId: string }[]
    recipes: { recipeRevisionId: string }[]
    bars: { barId: string }[]
  }
  const personId = today.people[0]?.personId ?? ''
  const me = (await (await fetch(`${api}/session`, { headers })).json()) as { person: { personId: string } }
  const put = async (path: string, body: object) => {
    const answer = await fetch(`${api}${path}`, { method: 'PUT', headers, body: JSON.stringify(body) })
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

  /** Follows a training; calls back with each stage's sequence number, which is sent as its seconds. */
  async function follow(trainingId: string, heard: (pumpS: number) => void): Promise<() => void> {
    const stop = new AbortController()
    const answer = await fetch(`${api}/trainings/${trainingId}/live`, {
      headers: { Cookie: cookie },
      signal: stop.signal,
    })
    const words = new TextDecoder()
    const reading = (async () => {
      for await (const chunk of answer.body ?? [])
        for (const [, pumpS] of words.decode(chunk).matchAll(/"pumpS":([\d.]+)/g)) heard(Number(pumpS))
    })()
    // It ends by being stopped.
    reading.catch(() => undefined)
    return () => stop.abort()
  }

  const shotId = uuidv7()
  const tell = (trainingId: string, no: number) =>
    put(`/trainings/${trainingId}/stages/a`, {
      personId,
      shotId,
      step: 'pull',
      phase: 'flowing',
      pumpS: no / 10,
      weightG: 12.3,
      at: new Date().toISOString(),
    })
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
  const memoryMb = () =>
    Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${app.pid()}/status`, 'utf8'))?.[1] ?? NaN) / 1024

  async function stream(groups: number): Promise<{ cpuShare: number; heard: number; told: number }> {
    let [told, heard] = [0, 0]
    const ids: string[] = []
    for (let group = 0; group < groups; group += 1) ids.push(await startTraining())
    const leaving = await Promise.all(ids.map((each) => follow(each, () => (heard += 1))))
    const fromS = cpuS()
    const untilMs = performance.now() + STREAM_S * 1000
    await Promise.all(
      ids.map(async (each) => {
        for (let no = 1; performance.now() < untilMs; no += 1) {
          const startMs = performance.now()
          await tell(each, no)
          told += 1
          await new Promise((resolve) =>
            setTimeout(resolve, Math.max(0, TELL_EVERY_MS - (performance.now() - startMs))),
          )
        }
      }),
    )
    const cpuShare = (cpuS() - fromS) / STREAM_S
    await new Promise((resolve) => setTimeout(resolve, 300))
    for (const each of leaving) each()
    return { cpuShare, heard, told }
  }
  const one = await stream(1)
  const many = await stream(GROUPS)
  console.log(
    `  ${GROUPS} groups telling their weight twice a second for ${STREAM_S} s, each followed by a tablet: ${(100 * many.cpuShare).toFixed(0)} % of one core (one group ${(100 * one.cpuShare).toFixed(1)} %, ratio ${(many.cpuShare / one.cpuShare).toFixed(1)}), ${memoryMb().toFixed(0)} MB, ${many.heard} of ${many.told} heard`,
  )
} finally {
  await app.remove()
}
