import { AxeBuilder } from '@axe-core/playwright'
import { type Page, test as base } from '@playwright/test'
import { expect } from './expect.ts'
import { type Place, TRAINER, comeInAs } from './place.ts'
import { SharedApp } from './sharedApp.ts'

interface Fixtures {
  /** Whose academy the story is told in: one of its own on the worker's server, or the demo's own with its open door. */
  academy: 'own' | 'demo'
  /** Where the story is told. */
  app: Place
  /** Who is signed in as the test begins; nobody, where it is null. */
  signedIn: string | null
  page: Page
}

interface WorkerFixtures {
  /** One server and database for all stories of a worker. */
  shared: SharedApp
}

/** Tests in an academy of their own; any error that the page reports fails the test. */
export const test = base.extend<Fixtures, WorkerFixtures>({
  shared: [
    async ({}, use) => {
      const shared = await SharedApp.start()
      await use(shared)
      await shared.app.remove()
    },
    { scope: 'worker' },
  ],
  academy: ['own', { option: true }],
  app: async ({ shared, academy }, use) => use(academy === 'demo' ? shared.demo : await shared.openAcademy()),
  signedIn: [TRAINER, { option: true }],
  baseURL: async ({ app }, use) => use(app.url),
  page: async ({ page, browser, app, signedIn }, use, testInfo) => {
    if (signedIn !== null) await comeInAs(page.request, app, signedIn)
    const errors: string[] = []
    page.on('pageerror', (error) => errors.push(error.message))
    await use(page)
    // Where it failed elsewhere, what stood on the page is all there is to find out why.
    if (testInfo.status !== testInfo.expectedStatus)
      for (const each of browser.contexts().flatMap((context) => context.pages()))
        console.log(`${each.url()} at the end:\n${await each.locator('body').innerText()}`)
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
export { HEAD, TRAINEE, TRAINER, comeInAs } from './place.ts'
export type { Place } from './place.ts'
