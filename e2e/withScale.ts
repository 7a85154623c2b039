import type { Browser, BrowserContext, Page } from '@playwright/test'
import { test as base } from './fixtures.ts'
import type { Place } from './place.ts'
import { ScaleBar } from './scaleBar.ts'
import { StandIns } from './standIns.ts'

interface Fixtures {
  /** How many seconds of the devices' clock pass in one of ours. */
  pace: number
  standIns: StandIns
  bar: ScaleBar
}

/** Tests with simulated devices of their own, ten times as fast as life unless they say otherwise. */
export const test = base.extend<Fixtures>({
  pace: [10, { option: true }],
  standIns: async ({ pace }, use) => {
    const standIns = await StandIns.start(pace)
    await use(standIns)
    standIns.stop()
  },
  bar: async ({ page, standIns }, use) => use(await ScaleBar.on(page, standIns)),
})

/** A tablet that is touched, on which whoever is signed in on this page is signed in too. */
export async function touchTablet(browser: Browser, { url }: Place, signedIn: Page): Promise<BrowserContext> {
  return browser.newContext({
    baseURL: url,
    hasTouch: true,
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'block',
    storageState: await signedIn.context().storageState(),
  })
}
