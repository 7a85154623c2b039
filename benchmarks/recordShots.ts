import { Agent, request } from 'node:http'
import { v7 as uuidv7 } from 'uuid'

/** What the recorder goes by: where, as whom, which shot again and again, how often, and until when. */
export interface RecordOrder {
  api: string
  headers: Record<string, string>
  shot: object
  /** Whose they are, in turn: nobody pulls a shot every moment. */
  personIds: string[]
  everyMs: number
  forMs: number
}

// A process of its own: how long the others' answers keep this benchmark busy must not count.
const { api, headers, shot, personIds, everyMs, forMs } = await new Promise<RecordOrder>((resolve) =>
  process.once('message', (order) => resolve(order as RecordOrder)),
)
const agent = new Agent({ keepAlive: true })

/** With as little of our own as can be: a browser's side of it is not what is measured. */
function put(url: string, body: string): Promise<void> {
  return new Promise((resolve, reject) => {
    const asked = request(url, { method: 'PUT', agent, headers }, (answer) => {
      answer.resume()
      if (answer.statusCode !== 201) reject(new Error(`A shot: ${answer.statusCode}`))
      answer.once('end', resolve)
    })
    asked.once('error', reject)
    asked.end(body)
  })
}

/** A house is not asked for the first time all day: what comes before this is not counted. */
const WARM_AFTER_MS = 5000

const took: number[] = []
const warmAtMs = performance.now() + WARM_AFTER_MS
const untilMs = performance.now() + forMs
for (let no = 0; performance.now() < untilMs; no += 1) {
  const startMs = performance.now()
  const personId = personIds[no % personIds.length]
  const body = JSON.stringify({ ...shot, personId, pulledAt: new Date().toISOString() })
  await put(`${api}/shots/${uuidv7()}`, body)
  if (startMs >= warmAtMs) took.push(performance.now() - startMs)
  await new Promise((resolve) => setTimeout(resolve, everyMs))
}
agent.destroy()
process.send?.(took)
process.disconnect()
