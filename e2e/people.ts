import { randomBytes, randomUUID } from 'node:crypto'
import type { APIRequestContext, Locator, Page } from '@playwright/test'
import { expect } from './expect.ts'
import { HEAD, PASSWORD, type Place, comeInAs, signInNameOf } from './place.ts'

export interface Account {
  personId: string
  name: string
  signInName: string
  password: string
}

/** An id of version 7, as the app makes them. */
export function newId(): string {
  const time = Date.now().toString(16).padStart(12, '0')
  return `${time.slice(0, 8)}-${time.slice(8)}-7${randomUUID().slice(15)}`
}

/** Someone new with a password: added by the head, come in by a link, all through the API. */
export async function makeAccount(
  place: Place,
  request: APIRequestContext,
  name: string,
  role: 'head' | 'trainer' | 'trainee' = 'trainer',
): Promise<Account> {
  await comeInAs(request, place, HEAD)
  const personId = newId()
  const answer = await request.put(`${place.url}/api/v1/people/${personId}`, {
    headers: { Origin: place.url },
    data: { displayName: name, role },
  })
  expect(answer.ok()).toBe(true)
  // The demo’s own academy is used by more than one story.
  const signInName = signInNameOf(name, place.tag ?? `${randomBytes(4).toString('hex')}.`)
  return follow(place, request, { personId, name, signInName })
}

/** A password for somebody of the demo, who then no longer comes in by a tap. */
export async function givePassword(place: Place, request: APIRequestContext, name: string): Promise<void> {
  const personId = await comeInAs(request, place, name)
  await comeInAs(request, place, HEAD)
  await follow(place, request, { personId, name, signInName: signInNameOf(name, null) })
}

/** Makes somebody a link, which the head is signed in for, and comes in by it. */
async function follow(
  { url }: Place,
  request: APIRequestContext,
  { personId, name, signInName }: Omit<Account, 'password'>,
): Promise<Account> {
  const api = `${url}/api/v1`
  const headers = { Origin: url }
  const token = randomBytes(32).toString('base64url')
  const password = PASSWORD
  const steps = [
    await request.put(`${api}/people/${personId}/invitations/${newId()}`, { headers, data: { token } }),
    await request.post(`${api}/invitations/use`, { headers, data: { token, signInName, password } }),
  ]
  expect(steps.map((answer) => answer.ok())).toEqual([true, true])
  return { personId, name, signInName, password }
}

/** Signs in on a page by the form on it. */
export async function signInOn(page: Page, { signInName, password }: Account): Promise<void> {
  await page.getByLabel('Sign-in name').fill(signInName)
  await page.getByLabel('Password', { exact: true }).fill(password)
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
}

/** Gives the account that is signed in on a page a PIN. */
export async function setPin(page: Page, { url }: Place, { password }: Account, pin: string): Promise<void> {
  const answer = await page.request.post(`${url}/api/v1/account/pin`, {
    headers: { Origin: url },
    data: { password, pin },
  })
  expect(answer.ok()).toBe(true)
}

const MOST_TABS = 80

/** Goes on by the tab key until something has the focus, as whoever has no mouse does. */
export async function tabTo(page: Page, wanted: Locator): Promise<void> {
  await expect(wanted).toBeVisible()
  for (let tab = 0; tab < MOST_TABS; tab += 1) {
    if (await wanted.evaluate((element) => element === document.activeElement)) return
    await page.keyboard.press('Tab')
  }
  throw new Error('It can’t be reached by the tab key.')
}
