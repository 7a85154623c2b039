import { API_BASE } from '@calm-apron/contract'
import { demoAcademy } from '@calm-apron/demo'
import { type KeptWrite, oneOfEach } from './writes.ts'

/** Sends one write of each kind to a server with the demo, and tells what was sent. */
export async function sendOneOfEach(url: string): Promise<KeptWrite[]> {
  const { people, prepared } = demoAcademy(new Date())
  const personId = (role: KeptWrite['as']) => found(people.find((each) => each.role === role)).personId
  const preparedId = (kind: string) => found(prepared.find(({ thing }) => thing.kind === kind)).preparedId
  const writes = oneOfEach(
    {
      traineeId: personId('trainee'),
      trainerId: personId('trainer'),
      barId: preparedId('bar'),
      // The first revision of a recipe goes by the recipe's own id.
      recipeRevisionId: preparedId('recipe'),
      grinderId: preparedId('grinder'),
      bagId: preparedId('bag'),
    },
    new Date().toISOString(),
  )
  const cookies = new Map<string, string>()
  for (const { as, path, body } of writes) {
    const cookie = cookies.get(as) ?? (await comeInAs(url, personId(as)))
    cookies.set(as, cookie)
    const answer = await put(url, path, cookie, body)
    if (answer.status !== 201)
      throw new Error(`${path} was answered by ${answer.status}: ${await answer.text()}`)
  }
  return writes
}

async function comeInAs(url: string, personId: string): Promise<string> {
  const answer = await fetch(`${url}${API_BASE}/session/demo`, {
    method: 'POST',
    headers: { Origin: url, 'Content-Type': 'application/json' },
    body: JSON.stringify({ personId }),
  })
  return answer.headers
    .getSetCookie()
    .map((line) => line.split(';')[0] ?? '')
    .join('; ')
}

async function put(url: string, path: string, cookie: string, body: object): Promise<Response> {
  return fetch(`${url}${API_BASE}${path}`, {
    method: 'PUT',
    headers: { Origin: url, Cookie: cookie, 'Content-Type': 'application/json' },
    body: JSON.stringify(body),
  })
}

function found<T>(thing: T | undefined): T {
  if (thing === undefined) throw new Error('The demo lacks a record that is to be kept.')
  return thing
}
