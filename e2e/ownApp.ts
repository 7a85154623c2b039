import { type TestApp, startTestApp } from '@calm-apron/scripts/testing'
import { test as base } from './fixtures.ts'
import type { Place } from './place.ts'

/** Tests with the demo on a server and a database of their own, which they may kill or cut off. */
export const test = base.extend<{ app: TestApp & Place }>({
  app: async ({}, use) => {
    const app = await startTestApp('demo', true)
    await use({ ...app, tag: null })
    await app.remove()
  },
})
