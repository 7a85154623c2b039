import { Agent, request } from 'node:http'
import { pageHeaders } from './comeIn.ts'

/** What came, as it came: packed where that was asked for. */
export interface BareAnswer {
  status: number
  body: Buffer
}

/**
 * Asks as our own pages do, on one line that is kept, and with as little of its own as can be: how long a page takes over an
 * answer, or to unpack it, is not what is measured.
 */
export function barePage(url: string, cookie: string, headers: Readonly<Record<string, string>> = {}) {
  const agent = new Agent({ keepAlive: true, maxSockets: 1 })
  const asOurs = { ...pageHeaders(url, cookie), 'Content-Type': 'application/json', ...headers }
  const send = (method: string, path: string, body?: string): Promise<BareAnswer> =>
    new Promise((resolve, reject) => {
      const asked = request(`${url}${path}`, { method, agent, headers: asOurs }, (answer) => {
        const pieces: Buffer[] = []
        answer.on('data', (piece: Buffer) => pieces.push(piece))
        answer.once('error', reject)
        answer.once('end', () => resolve({ status: answer.statusCode ?? 0, body: Buffer.concat(pieces) }))
      })
      asked.once('error', reject)
      asked.end(body)
    })
  return { send, leave: () => agent.destroy() }
}
