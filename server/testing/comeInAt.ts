import { API_BASE, CONTRACT_HEADER, CONTRACT_VERSION, doors } from '@calm-apron/contract'
import type { Role } from '@calm-apron/contract'

/** Someone at a compiled server, who asks as our own pages would. */
export interface AtServer {
  cookie: string
  personId: string
  /** `at` another address of it, where there are several. */
  api: (path: string, init?: { method?: string; body?: object; at?: string }) => Promise<Response>
}

/** Comes in as the first of the demo's people in a role. */
export async function comeInAt(url: string, role: Role): Promise<AtServer> {
  const known = doors.parse(await (await fetch(`${url}${API_BASE}/doors`)).json())
  const personId = known.demo?.people.find((each) => each.role === role)?.personId ?? ''
  const answer = await asking(url, '')('/session/demo', { method: 'POST', body: { personId } })
  const cookie = answer.headers
    .getSetCookie()
    .map((line) => line.split(';')[0])
    .join('; ')
  return { cookie, personId, api: asking(url, cookie) }
}

/** Asks as our own pages would. */
export function asking(url: string, cookie: string): AtServer['api'] {
  return (path, { method = 'GET', body, at = url } = {}) =>
    fetch(`${at}${API_BASE}${path}`, {
      method,
      headers: {
        Cookie: cookie,
        Origin: at,
        [CONTRACT_HEADER]: String(CONTRACT_VERSION),
        ...(body !== undefined && { 'Content-Type': 'application/json' }),
      },
      ...(body !== undefined && { body: JSON.stringify(body) }),
    })
}
