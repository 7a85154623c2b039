import type { APIRequestContext } from '@playwright/test'
import { expect } from './expect.ts'

/** The demo's people whom the stories are told of. */
export const HEAD = 'Halla Winterbourne'
export const TRAINER = 'Odalys Brandt'
export const TRAINEE = 'Mirren Kestle'

/** Everyone in a story who has a password has this one. */
export const PASSWORD = 'gulls over the quay'

/** An academy on a server. */
export interface Place {
  url: string
  /** What comes before its sign-in names; null in the demo's own academy, whose people come in by a tap. */
  tag: string | null
}

/** The sign-in name of somebody in a story: their first name's. */
export function signInNameOf(name: string, tag: string | null): string {
  const own = `${name.split(' ')[0]?.toLowerCase() ?? ''}@ostrel.example`
  return `${tag ?? ''}${own}`
}

/** Signs a browser's requests in as somebody there; returns who that is. */
export async function comeInAs(
  request: APIRequestContext,
  { url, tag }: Place,
  name: string,
): Promise<string> {
  const [door, data] =
    tag === null
      ? ['session/demo', { personId: await demoPerson(request, url, name) }]
      : ['session', { signInName: signInNameOf(name, tag), password: PASSWORD }]
  const answer = await request.post(`${url}/api/v1/${door}`, { headers: { Origin: url }, data })
  expect(answer.ok()).toBe(true)
  return ((await answer.json()) as { person: { personId: string } }).person.personId
}

async function demoPerson(request: APIRequestContext, url: string, name: string): Promise<string> {
  const doors = (await (await request.get(`${url}/api/v1/doors`)).json()) as {
    demo: { people: { personId: string; displayName: string }[] }
  }
  return doors.demo.people.find(({ displayName }) => displayName === name)?.personId ?? ''
}
