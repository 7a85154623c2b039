import { CONTRACT_HEADER, CONTRACT_VERSION } from '@calm-apron/contract'

interface Doors {
  demo: { people: { personId: string; role: string }[] }
}

/** Comes in as one of the demo's people, of those in a role the first or a later one; returns what to send as `Cookie`. */
export async function comeIn(url: string, role: string, no = 0): Promise<string> {
  const doors = (await (await fetch(`${url}/api/v1/doors`)).json()) as Doors
  const personId = doors.demo.people.filter((each) => each.role === role)[no]?.personId
  const answer = await send(url, 'POST', '/session/demo', { personId })
  return answer.headers
    .getSetCookie()
    .map((line) => line.split(';')[0])
    .join('; ')
}

/** What every question of our own pages comes with. */
export function pageHeaders(url: string, cookie: string): Record<string, string> {
  return { Origin: url, Cookie: cookie, [CONTRACT_HEADER]: String(CONTRACT_VERSION) }
}

/** Asks, or sends one write, as our own pages would. */
export async function send(
  url: string,
  method: string,
  path: string,
  body?: object,
  cookie = '',
): Promise<Response> {
  return fetch(`${url}/api/v1${path}`, {
    method,
    headers: {
      ...pageHeaders(url, cookie),
      'Accept-Encoding': 'gzip, deflate, br',
      ...(body !== undefined && { 'Content-Type': 'application/json' }),
    },
    ...(body !== undefined && { body: JSON.stringify(body) }),
  })
}
