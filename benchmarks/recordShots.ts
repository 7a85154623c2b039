import { v7 as uuidv7 } from 'uuid'

/** What the recorder goes by: where, as whom, which shot again and again, how often, and until when. */
export interface RecordOrder {
  api: string
  headers: Record<string, string>
  shot: object
  everyMs: number
  forMs: number
}

// A process of its own: how long the others' answers keep this benchmark busy must not count.
const { api, headers, shot, everyMs, forMs } = await new Promise<RecordOrder>((resolve) =>
  process.once('message', (order) => resolve(order as RecordOrder)),
)
const took: number[] = []
const untilMs = performance.now() + forMs
while (performance.now() < untilMs) {
  const startMs = performance.now()
  const body = JSON.stringify({ ...shot, pulledAt: new Date().toISOString() })
  const answer = await fetch(`${api}/shots/${uuidv7()}`, { method: 'PUT', headers, body })
  if (!answer.ok) throw new Error(`A shot: ${answer.status} ${await answer.text()}`)
  await answer.arrayBuffer()
  took.push(performance.now() - startMs)
  await new Promise((resolve) => setTimeout(resolve, everyMs))
}
process.send?.(took)
process.disconnect()
