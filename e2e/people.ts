import { randomBytes, randomUUID } from 'node:crypto'
import type { TestApp } from '@calm-apron/scripts/testing'
import { type APIRequestContext, type Locator, type Page, expect } from '@playwright/test'
import { HEAD, comeInAs } from './fixtures.ts'

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

/** Someone with a password in the demo's academy: added by its head, come in by a link, all through the API. */
export async function makeAccount(
  app: TestApp,
  request: APIRequestContext,
  name: string,
  role: 'head' | 'trainer' | 'trainee' = 'trainer',
): Promise<Account> {
  await comeInAs(request, app.url, HEAD)
  const api = `${app.url}/api/v1`
  const headers = { Origin: app.url }
  const personId = newId()
  const token = randomBytes(32).toString('base64url')
  const signInName = `${name.split(' ')[0]?.toLowerCase() ?? ''}@ostrel.example`
  const password = 'gulls over the quay'
  const steps = [
    await request.put(`${api}/people/${personId}`, { headers, data: { displayName: name, role } }),
    await request.put(`${api}/people/${personId}/invitations/${newId()}`, { headers, data: { token } }),
    await request.post(`${api}/invitations/use`, { headers, data: { token, signInName, password } }),
  ]
  expect(steps.map((answer) => answer.ok())).toEqual([true, true, true])
  return { personId, name, signInName, password }
}

/** Signs in on a page by the form on it. */
export async function signInOn(page: Page, { signInName, password }: Account): Promise<void> {
  await page.getByLabel('Sign-in name').fill(signInName)
  await page.getByLabel('Password', { exact: true }).fill(password)
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
}

/** Gives the account that is signed in on a page a PIN. */
export async function setPin(page: Page, app: TestApp, { password }: Account, pin: string): Promise<void> {
  const answer = await page.request.post(`${app.url}/api/v1/account/pin`, {
    headers: { Origin: app.url },
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
