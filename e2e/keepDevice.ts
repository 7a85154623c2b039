import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { CHECKOUT } from '@calm-apron/scripts/testing'
import type { Page } from '@playwright/test'
import { expect } from './expect.ts'
import { Bar } from './bar.ts'
import { STOPS_AT_G } from './scaleBar.ts'
import { readDevice } from './deviceDatabase.ts'
import { test } from './withScale.ts'

/** The demo's ids stay the same, so that what is kept here fits what `keep-release` kept beside it. */
test.use({ academy: 'demo', signedIn: null })

async function cup(page: Page, bar: Bar, person: string, grams: string): Promise<void> {
  await bar.begin(person, 'House double')
  await page.getByLabel('Grind setting').fill('14')
  await bar.goTo('Cup')
  await page.getByRole('radio', { name: 'Scale was tared' }).check()
  await page.getByLabel('Net weight').fill(grams)
}

test('a device with a shot refused, one waiting, one half-entered with its curve, and what was last seen', async ({
  page,
  bar: scaleBar,
  standIns,
}) => {
  const bar = new Bar(page)
  await page.goto('/')
  await page.getByRole('button', { name: /Odalys Brandt/ }).click()
  await expect(page.getByRole('heading', { name: /^Today/ })).toBeVisible()
  await scaleBar.startTraining({ 'Mirren Kestle': 'Group 1' })

  await page.route('**/api/v1/shots/*', (route) =>
    route.fulfill({
      status: 422,
      contentType: 'application/problem+json',
      json: { type: 'about:blank', code: 'invalid', title: 'No', status: 422, detail: 'Refused to be kept.' },
    }),
  )
  await cup(page, bar, 'Teo Varga-Lind', '31.5')
  await scaleBar.save()
  await expect(page.getByRole('link', { name: /1 record needs you/ })).toBeVisible()
  await page.unroute('**/api/v1/shots/*')
  await page.route('**/api/v1/shots/*', (route) => route.abort())
  await cup(page, bar, 'Jonas Abelard', '38.6')
  await scaleBar.save()
  await expect.poll(async () => (await readDevice(page))['outbox']?.length).toBe(2)

  const hands = await standIns.hands(0)
  await bar.begin('Nadia Fjordal', 'House double')
  await scaleBar.prepare(hands, { stopAtG: STOPS_AT_G })
  await scaleBar.start()
  await scaleBar.stopOnCue()
  await expect.poll(async () => (await readDevice(page))['series']?.length).toBeGreaterThan(0)
  hands.close()
  const kept = await readDevice(page)
  writeFileSync(join(CHECKOUT, 'e2e/releases/device.json'), `${JSON.stringify(kept)}\n`)
})
