import type { Page } from '@playwright/test'
import { newId } from './people.ts'
import { TRAINEE, expect, expectAccessible, test } from './fixtures.ts'
import { phoneOf } from './phone.ts'
import { holdBack, movedPx, notePlaces } from './places.ts'
import type { Place } from './place.ts'

const HEADERS = { 'Calm-Apron-Contract': '2' }

/** More shots like the newest of somebody's, each with its own dose, as their tablet would send them. */
async function sendMore(page: Page, { url }: Place, personId: string, dosesG: readonly number[]) {
  const list = await page.request.get(`${url}/api/v1/shots?personId=${personId}&limit=1`, {
    headers: HEADERS,
  })
  const [newest] = ((await list.json()) as { shots: Record<string, unknown>[] }).shots
  const {
    shotId: _id,
    current,
    stood: _stood,
    tasted: _tasted,
    clockAheadS: _ahead,
    ...setting
  } = newest ?? {}
  const { facts, judgedBy } = current as { facts: Record<string, unknown>; judgedBy: string }
  for (const [no, netG] of dosesG.entries()) {
    const body = {
      ...setting,
      judgedBy,
      series: null,
      pulledAt: new Date(Date.now() - (dosesG.length - no) * 60_000).toISOString(),
      facts: { ...facts, dose: { by: 'net', netG } },
    }
    const options = { headers: { ...HEADERS, Origin: url }, data: body }
    const answer = await page.request.put(`${url}/api/v1/shots/${newId()}`, options)
    expect(await answer.text()).toContain('shotId')
  }
}

test('the team by what is most pressing, each person’s skills, a training for what they should practise, and their own page on a phone', async ({
  page,
  browser,
  app,
}) => {
  await page.goto('/progress')
  const row = (name: string) => page.getByRole('row').filter({ hasText: name })
  await expect(row('Mirren Kestle')).toContainText('5 shots so far: too few to say more.')
  await expect(row('Callum Osei')).toContainText('No shots yet.')
  await expectAccessible(page)
  const mirren = await page.getByRole('link', { name: 'Mirren Kestle' }).getAttribute('href')
  const personId = mirren?.split('/').at(-1) ?? ''

  await test.step('what comes in is worked out and shown, unasked', async () => {
    await sendMore(page, app, personId, [19.1, 19, 19.2, 19.1, 19, 19.1, 19.2, 19.1, 19, 19.1])
    await expect(row('Mirren Kestle')).toContainText('Practise dose next.')
    await expect(row('Mirren Kestle')).toContainText('g heavy: move the aim.')
    // She stands before those of whom too little is known.
    await expect(page.getByRole('row').nth(1)).toContainText('Mirren Kestle')
  })

  await test.step('one person: what to do next, each skill, its chart with the figures behind it', async () => {
    await page.getByRole('link', { name: 'Mirren Kestle' }).click()
    const panel = page.getByRole('region', { name: 'What to do next' })
    await expect(panel.locator('[data-skill]')).toHaveCount(8)
    await expect(panel.locator('[data-skill="dose"]')).toContainText(/usually 0\.\d g heavy/)
    await expect(panel.getByRole('img', { name: /^Dose, the last 12: / })).toBeVisible()
    await panel.getByRole('button', { name: 'Chart: Dose' }).click()
    await panel.getByText('The figures as a table').click()
    await expect(panel.getByRole('row')).toHaveCount(16)
    await expectAccessible(page)
    await expect(panel).toContainText('Fewer than ten calls can be held against anything yet.')
    await panel.getByLabel('One sentence for them, on their phone').fill('Half a gram less, and stop there.')
    await panel.getByRole('button', { name: 'Give it to take home' }).click()
    await expect(panel.getByText('“Half a gram less, and stop there.”')).toBeVisible()
    await panel.getByRole('link', { name: 'Sheet to talk over' }).click()
    await expect(page.getByRole('heading', { name: 'To talk over with Mirren Kestle' })).toBeVisible()
    await expect(page.getByRole('row')).not.toHaveCount(0)
    await expectAccessible(page)
    await page.goBack()
    await panel.getByRole('link', { name: 'Start a training with this person' }).click()
    const seat = (name: string) => page.getByRole('group', { name })
    await expect(seat('Teo Varga-Lind').getByRole('radio', { name: 'Not here' })).toBeChecked()
    await expect(seat('Mirren Kestle').getByRole('radio', { name: 'Not here' })).not.toBeChecked()
    await expect(page.getByRole('radio', { name: 'First week: dose and tamp' })).toBeChecked()
  })

  await test.step('on her own phone no forecast, no percentage, and nobody else', async () => {
    const phone = await phoneOf(browser, app, TRAINEE)
    await phone.goto(`${app.url}/progress`)
    await expect(phone.getByText(/^Practise dose next\./)).toBeVisible()
    await expect(phone.locator('[data-skill="dose"]')).toContainText(/usually 0\.\d g heavy/)
    const text = await phone.locator('main').innerText()
    expect(text).not.toMatch(/%|Chance|Teo|Suvi/)
    await expectAccessible(phone)
    // What she was given stands where her day begins, and on her page.
    await expect(phone.getByText('“Half a gram less, and stop there.”')).toBeVisible()
    await phone.goto(app.url)
    await expect(phone.getByText('“Half a gram less, and stop there.”')).toBeVisible()
    await phone.goto(`${app.url}/progress/${personId}/sheet`)
    await expect(phone.locator('main')).toBeVisible()
    await expect(phone.getByRole('heading', { name: /^To talk over/ })).toHaveCount(0)
  })

  await test.step('the team in another order, and of those alone who pulled of late', async () => {
    await page.goto('/progress')
    await page.getByLabel('In which order').selectOption('by name')
    await expect(page.getByRole('row').nth(1)).toContainText('Callum Osei')
    await page.getByLabel('Pulled within').selectOption('the last 7 days')
    await expect(row('Callum Osei')).toHaveCount(0)
    await expect(row('Mirren Kestle')).toBeVisible()
    await expectAccessible(page)
  })
})

test('a person’s shots take their place once what stands above them has: nothing moves from under a finger', async ({
  page,
}) => {
  await page.clock.install()
  await page.goto('/progress')
  const name = page.getByRole('link', { name: 'Suvi Okonjo' })
  await expect(name).toBeVisible()
  // Nobody's patience ends meanwhile, however slow the machine is.
  await page.clock.pauseAt(Date.now() + 60_000)
  const release = await holdBack(page, '**/api/v1/people/*/skill', '**/api/v1/people/*/sign-offs')
  await page.evaluate(notePlaces, 'ol.shots > li:first-child')
  const answered = page.waitForResponse(/\/shots\?/)
  await name.click()
  await (await answered).finished()
  await expect(page.getByRole('heading', { name: 'Suvi Okonjo' })).toBeVisible()
  release()
  await expect(page.getByRole('heading', { name: 'What to do next' })).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Sign-off' })).toBeVisible()
  await expect(page.locator('ol.shots > li').first()).toBeVisible()
  const moved = await movedPx(page)
  expect(moved).toHaveLength(1)
  expect(moved[0]).toBeCloseTo(0, 1)
})
