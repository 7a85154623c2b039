import { type TestApp, openLine } from '@calm-apron/scripts/testing'
import type { Page } from '@playwright/test'
import { TRAINER, comeInAs, expect } from './fixtures.ts'
import { ScaleBar } from './scaleBar.ts'
import { StandIns } from './standIns.ts'
import { Tablet, untilOnDevice } from './tablet.ts'

/** A tablet at a bench of its own, on a line to the server that can be cut. */
export async function atTheBar(app: TestApp) {
  const standIns = await StandIns.start(10)
  // What stands beside the tablet is not on this line.
  const line = await openLine(Number(new URL(app.url).port))
  const url = `http://127.0.0.1:${line.port}`
  const tablet = new Tablet(url)
  const page = await tablet.open()
  await comeInAs(page.request, { url, tag: null }, TRAINER)
  const bar = await ScaleBar.on(page, standIns)
  await page.goto('/')
  await untilOnDevice(page)
  /** Without power, and on again: who stands there finds Today. */
  const powerCut = async () => {
    await tablet.cutPower()
    const again = await tablet.open()
    const barAgain = await ScaleBar.on(again, standIns)
    await again.goto('/')
    await expect(again.getByText(/^The server is not answering/).first()).toBeVisible()
    return { page: again, bar: barAgain }
  }
  const leave = async () => {
    await tablet.remove()
    await line.cut()
    standIns.stop()
  }
  return { page, bar, line, hands: () => standIns.hands(0), powerCut, leave }
}

/** Until all that waits was sent; whoever is asked who they are says so. */
export async function untilAllSent(page: Page): Promise<void> {
  const comeIn = page.getByRole('button', { name: /Come in as Odalys Brandt/ })
  const waiting = page.getByRole('link', { name: /^Kept here/ })
  // Who was here is remembered without the server; in step is only who it let in.
  const inStep = page.locator('[data-line="in-step"]')
  await expect
    .poll(async () => {
      // A browser writes its cookies down now and then: whoever had only just come in is asked again.
      if (await comeIn.isVisible()) await comeIn.click()
      return [await inStep.count(), (await waiting.count()) + (await comeIn.count())]
    })
    .toEqual([1, 0])
}
