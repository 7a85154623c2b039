import { TRAINEE, expect, test } from './fixtures.ts'
import { phoneOf } from './phone.ts'
import { holdBack, movedPx, notePlaces } from './places.ts'

/** Answers that come later than what the page could show by then. */
const LATER = ['**/api/v1/trainings', '**/api/v1/people/*/skill', '**/api/v1/assessments']

test('on Today nothing moves from under a finger as the rest is told, for whoever learns and for who teaches', async ({
  page,
  browser,
  app,
}) => {
  const phone = await phoneOf(browser, app, TRAINEE)
  for (const on of [page, phone]) {
    const release = await holdBack(on, ...LATER)
    // Nobody's patience ends meanwhile, however slow the machine is.
    await on.clock.install()
    await on.clock.pauseAt(Date.now() + 60_000)
    await on.addInitScript(notePlaces, 'main :is(a, button, input)')
    await on.goto('/')
    await expect(on.getByRole('heading', { name: /^Today/ })).toBeVisible()
    release()
    await expect(on.getByRole('radio', { name: 'House double' })).toBeVisible()
    await expect(on.getByRole('heading', { name: 'Needs care' })).toBeVisible()
    if (on === phone) await expect(on.getByRole('heading', { name: 'What to do next' })).toBeVisible()
    const moved = await movedPx(on)
    expect(moved.length).toBeGreaterThan(3)
    expect(Math.max(...moved)).toBeLessThan(1)
  }
  await phone.context().close()
})
