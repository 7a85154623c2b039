import { existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { CHECKOUT, unpackPage } from '@calm-apron/scripts/testing'
import { Bar } from './bar.ts'
import { TRAINER, expect, test } from './fixtures.ts'
import { newId } from './people.ts'
import { ScaleBar } from './scaleBar.ts'

/** What `npm run keep-release` kept of the last release's page. */
const PAGE = join(CHECKOUT, 'e2e/releases/page.tgz')

test('a page of the last release works on against this server: what it had waiting is sent, and it reads what is new', async ({
  page,
  browser,
  app,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'calm-apron-page-'))
  const web = unpackPage(PAGE, folder)
  await page.route(
    ({ pathname }) => !pathname.startsWith('/api/'),
    (route) => {
      const file = join(web, new URL(route.request().url()).pathname)
      return route.fulfill({
        path: existsSync(file) && file !== join(web, '/') ? file : join(web, 'index.html'),
      })
    },
  )
  // This release's own page, beside it, does what the last one had no words for.
  const own = await browser.newContext({ baseURL: app.url, serviceWorkers: 'block' })
  const today = await own.newPage()
  await own.addCookies(await page.context().cookies())
  const trainingId = await new ScaleBar(today).startTraining({ 'Mirren Kestle': 'Group 1' })
  await today.getByRole('button', { name: 'End the training' }).click()
  await today.getByRole('button', { name: 'End the training' }).click()
  await today.getByRole('button', { name: 'Open it again' }).click()
  await expect(today.getByRole('button', { name: 'Break', exact: true })).toBeVisible()

  await page.goto(`/trainings/${trainingId}`)
  await expect(page.getByRole('heading', { name: 'Training', exact: true })).toBeVisible()
  // It never asks in today's way.
  const asked = page.waitForRequest('**/api/v1/today')
  const bar = new Bar(page)
  await page.goto('/')
  expect((await asked).headers()['calm-apron-contract']).toBeUndefined()
  await expect(page.getByText('The server is not answering.')).toHaveCount(0)

  await page.route('**/api/v1/shots/*', (route) => route.abort())
  await bar.begin('Teo Varga-Lind', 'House double')
  await page.getByLabel('Grind setting').fill('14')
  await bar.weigh('Dose', 'Portafilter 1', '604.8')
  await bar.typeTimes('6.5', '20')
  await bar.save()
  await expect(page.getByRole('link', { name: /1 record waiting/ })).toBeVisible()
  await page.unroute('**/api/v1/shots/*')
  await page.reload()
  await expect(page.getByRole('link', { name: /waiting/ })).toBeHidden()
  await expect(bar.verdict).toBeVisible()
  const shotId = page.url().split('/').at(-1) ?? newId()
  const kept = await today.request.get(`${app.url}/api/v1/shots/${shotId}`)
  expect(await kept.json()).toMatchObject({ current: { facts: { grindSetting: 14, clock: { stopS: 20 } } } })
  for (const place of ['/prepare/recipes', '/prepare/bar', '/progress', '/settings/you']) {
    await page.goto(place)
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    await expect(page.getByText('The server is not answering.')).toHaveCount(0)
  }
  await expect(page.getByText(TRAINER).first()).toBeVisible()
  await own.close()
  rmSync(folder, { recursive: true })
})
