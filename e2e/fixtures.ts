import { AxeBuilder } from '@axe-core/playwright'
import { type TestApp, startTestApp } from '@calm-apron/scripts/testing'
import { type APIRequestContext, type Page, test as base, expect } from '@playwright/test'

interface Fixtures {
  /** An app with the demo academy, the test's own. */
  app: TestApp
  /** Who is signed in as the test begins; nobody, where it is null. */
  signedIn: string | null
  page: Page
}

/** The demo's people whom the stories are told of. */
export const HEAD = 'Halla Winterbourne'
export const TRAINER = 'Odalys Brandt'

/** Signs a browser's requests in as one of the demo's people; returns who that is. */
export async function comeInAs(request: APIRequestContext, url: string, name: string): Promise<string> {
  const doors = (await (await request.get(`${url}/api/v1/doors`)).json()) as {
    demo: { people: { personId: string; displayName: string }[] }
  }
  const personId = doors.demo.people.find(({ displayName }) => displayName === name)?.personId
  const answer = await request.post(`${url}/api/v1/session/demo`, {
    headers: { Origin: url },
    data: { personId },
  })
  expect(answer.ok()).toBe(true)
  return String(personId)
}

/** Tests against an app of their own; any error that the page reports fails the test. */
export const test = base.extend<Fixtures>({
  app: async ({}, use) => {
    const app = await startTestApp()
    await use(app)
    await app.remove()
  },
  signedIn: [TRAINER, { option: true }],
  baseURL: async ({ app }, use) => use(app.url),
  page: async ({ page, app, signedIn }, use, testInfo) => {
    if (signedIn !== null) await comeInAs(page.request, app.url, signedIn)
    const errors: string[] = []
    page.on('pageerror', (error) => errors.push(error.message))
    await use(page)
    // Where it failed elsewhere, what stood on the page is all there is to find out why.
    if (testInfo.status !== testInfo.expectedStatus && !page.isClosed())
      console.log(`${page.url()} at the end:\n${await page.locator('body').innerText()}`)
    expect(errors).toEqual([])
  },
})

/** A line that is nothing but a key of the catalogue: its words were not there. */
const BARE_KEY = /^[a-z]\w*(\.[\w-]+)+$/

/** Nothing may be left out of the scan, and every text has its words. Of one and the same view in other colours only the contrast can differ. */
export async function expectAccessible(page: Page, { isContrastOnly = false } = {}): Promise<void> {
  const lines = (await page.locator('body').innerText()).split('\n')
  expect(lines.filter((line) => BARE_KEY.test(line.trim()))).toEqual([])
  // There are no frames in it, so that its results need no page of their own to be put together on.
  // What passed is not looked at, and putting it together takes a third of a scan.
  const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] })
  if (isContrastOnly) axe.withRules(['color-contrast'])
  const { violations } = await axe.analyze()
  expect(
    violations.map(({ id, nodes }) => ({ id, where: nodes.map((node) => node.target.join(' ')) })),
  ).toEqual([])
}

export { expect }
