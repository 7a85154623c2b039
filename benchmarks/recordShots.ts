import { v7 as uuidv7 } from 'uuid'
import { barePage } from './barePage.ts'

/** What the recorder goes by: where, as whom, which shot again and again, how often, and until when. */
export interface RecordOrder {
  url: string
  cookie: string
  shot: object
  /** Whose they are, in turn: nobody pulls a shot every moment. */
  personIds: string[]
  everyMs: number
  forMs: number
}

// A process of its own: how long the others' answers keep this benchmark busy must not count.
const { url, cookie, shot, personIds, everyMs, forMs } = await new Promise<RecordOrder>((resolve) =>
  process.once('message', (order) => resolve(order as RecordOrder)),
)
/** A house is not asked for the first time all day: what comes before this is not counted. */
const WARM_AFTER_MS = 5000

const page = barePage(url, cookie)
const took: number[] = []
const warmAtMs = performance.now() + WARM_AFTER_MS
const untilMs = performance.now() + forMs
for (let no = 0; performance.now() < untilMs; no += 1) {
  const startMs = performance.now()
  const personId = personIds[no % personIds.length]
  const body = JSON.stringify({ ...shot, personId, pulledAt: new Date().toISOString() })
  const answer = await page.send('PUT', `/api/v1/shots/${uuidv7()}`, body)
  if (answer.status !== 201) throw new Error(`A shot: ${answer.status} ${answer.body.toString()}`)
  if (startMs >= warmAtMs) took.push(performance.now() - startMs)
  await new Promise((resolve) => setTimeout(resolve, everyMs))
}
page.leave()
process.send?.(took)
process.disconnect()
