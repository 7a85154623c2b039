import type { Browser, Page } from '@playwright/test'
import { type Place, comeInAs } from './place.ts'

/** Somebody's own phone at that place. */
export async function phoneOf(browser: Browser, app: Place, who: string): Promise<Page> {
  const pocket = await browser.newContext({
    baseURL: app.url,
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    serviceWorkers: 'block',
  })
  const phone = await pocket.newPage()
  await comeInAs(phone.request, app, who)
  return phone
}
