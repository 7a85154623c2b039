import type { Page } from '@playwright/test'
import { TRAINEE, expect, test } from './fixtures.ts'
import { phoneOf } from './phone.ts'

/** Answers that come later than what the page could show by then. */
const LATER = ['**/api/v1/trainings', '**/api/v1/people/*/skill', '**/api/v1/assessments']

/** Opens Today while those are held back, and tells by how much each control has moved since it first stood there. */
async function movesOn(page: Page): Promise<() => Promise<Record<string, number>>> {
  let release = () => {}
  const isReleased = new Promise<void>((resolve) => (release = resolve))
  for (const each of LATER)
    await page.route(each, async (route) => {
      await isReleased
      await route.continue()
    })
  // Nobody's patience ends meanwhile, however slow the machine is.
  await page.clock.install()
  await page.clock.pauseAt(Date.now() + 60_000)
  await page.addInitScript(() => {
    const where = (control: Element) => control.getBoundingClientRect().y + scrollY
    const cameAt = new Map<Element, number>()
    const look = () => {
      for (const each of document.querySelectorAll('main :is(a, button, input)'))
        if (!cameAt.has(each)) cameAt.set(each, where(each))
    }
    new MutationObserver(look).observe(document, { childList: true, subtree: true })
    Object.assign(globalThis, {
      movedPx: () =>
        Object.fromEntries(
          [...cameAt]
            .filter(([control]) => control.isConnected)
            .map(([control, atPx]) => [control.outerHTML.slice(0, 200), where(control) - atPx]),
        ),
    })
  })
  await page.goto('/')
  await expect(page.getByRole('heading', { name: /^Today/ })).toBeVisible()
  release()
  return async () => page.evaluate('movedPx()')
}

test('on Today nothing moves from under a finger as the rest is told, for whoever learns and for who teaches', async ({
  page,
  browser,
  app,
}) => {
  const phone = await phoneOf(browser, app, TRAINEE)
  for (const on of [page, phone]) {
    const movedPx = await movesOn(on)
    await expect(on.getByRole('radio', { name: 'House double' })).toBeVisible()
    await expect(on.getByRole('heading', { name: 'Needs care' })).toBeVisible()
    if (on === phone) await expect(on.getByRole('heading', { name: 'What to do next' })).toBeVisible()
    const moved = Object.values(await movedPx())
    expect(moved.length).toBeGreaterThan(3)
    expect(Math.max(...moved.map(Math.abs))).toBeLessThan(1)
  }
  await phone.context().close()
})
