import { AxeBuilder } from '@axe-core/playwright'
import { type TestApp, startTestApp } from '@calm-apron/scripts/testing'
import { type Page, test as base, expect } from '@playwright/test'

interface Fixtures {
  /** An app with the demo academy, the test's own. */
  app: TestApp
  page: Page
}

/** Tests against an app of their own; any error that the page reports fails the test. */
export const test = base.extend<Fixtures>({
  app: async ({}, use) => {
    const app = await startTestApp()
    await use(app)
    await app.remove()
  },
  baseURL: async ({ app }, use) => use(app.url),
  page: async ({ page }, use) => {
    const errors: string[] = []
    page.on('pageerror', (error) => errors.push(error.message))
    await use(page)
    expect(errors).toEqual([])
  },
})

/** Nothing may be left out of the scan. */
export async function expectAccessible(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze()
  expect(
    violations.map(({ id, nodes }) => ({ id, where: nodes.map((node) => node.target.join(' ')) })),
  ).toEqual([])
}

export { expect }
