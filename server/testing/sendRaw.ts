import { type Agent, request as httpRequest } from 'node:http'

const ANSWER_WITHIN_MS = 10_000

export interface Shot {
  method: string
  path: string
  headers: Record<string, string>
  body: string | Buffer | null
}
export interface Answer {
  status: number
  text: string
  /** Whether the line broke before all was said. */
  isCutShort: boolean
}

/** One request, sent raw, so that no client tidies a path or a header up before it arrives. */
export async function sendRaw(
  url: string,
  agent: Agent,
  { method, path, headers, body }: Shot,
): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const sent = httpRequest(url, { method, path, headers, agent }, (answer) => {
      const parts: Buffer[] = []
      answer.on('data', (part: Buffer) => parts.push(part))
      // Of a broken line there is no end, and an error beside it.
      answer.on('error', () => undefined)
      answer.on('close', () => {
        resolve({
          status: answer.statusCode ?? 0,
          text: Buffer.concat(parts).toString(),
          isCutShort: !answer.complete,
        })
      })
    })
    sent.setTimeout(ANSWER_WITHIN_MS, () => sent.destroy(new Error(`no answer: ${method} ${path}`)))
    sent.on('error', reject)
    sent.end(body ?? undefined)
  })
}
