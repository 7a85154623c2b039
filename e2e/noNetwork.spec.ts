import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { networkInterfaces, tmpdir } from 'node:os'
import { join } from 'node:path'
import { createTestDatabase, freePort, startByCommand } from '@calm-apron/scripts/testing'
import type { Page } from '@playwright/test'
import { makeCertificate } from './certificate.ts'
import { atTheBar, untilAllSent } from './cutOff.ts'
import { TRAINER, comeInAs, expect, expectAccessible, test } from './fixtures.ts'
import { test as testOnOwn } from './ownApp.ts'
import { ScaleBar, storedShots } from './scaleBar.ts'
import { Tablet, untilOnDevice } from './tablet.ts'

/** What the server holds of a shot's tasting. */
async function tastingOf(page: Page, shotId: string) {
  // As a page of this release asks.
  const headers = { 'Calm-Apron-Contract': '2' }
  const answer = await page.request.get(`/api/v1/shots/${shotId}/tasting`, { headers })
  return (await answer.json()) as { slips: unknown[]; calls: { stage: string }[] }
}

testOnOwn(
  'the line is cut, the power goes in mid-shot, the server is killed: every shot, slip and call is there once',
  async ({ app }) => {
    const { line, powerCut, leave, ...first } = await atTheBar(app)
    let { page, bar } = first
    const hands = await first.hands()
    const trainingId = await bar.startTraining({ 'Mirren Kestle': 'Group 1', 'Teo Varga-Lind': 'Group 2' })
    await bar.next('Group 1')
    await bar.pull(hands)
    await bar.callAndTaste('Mirren Kestle')
    await bar.toTraining()
    await expect.poll(async () => (await storedShots(page, trainingId)).length).toBe(1)
    // Its call and its slips too, or they would wait among those of the next.
    await untilAllSent(page)

    await expect(page.getByText('Works without network')).toBeVisible()
    await line.cut()
    await bar.next('Group 1')
    await bar.pull(hands)
    await bar.callAndTaste('Mirren Kestle')
    await expect(page.getByText('Kept on this device, waiting to be sent.')).toBeVisible()
    await expect(page.getByRole('link', { name: 'Kept here, 5 waiting' })).toBeVisible()
    await bar.toTraining()
    await bar.next('Group 1')
    await bar.prepare(hands)
    await bar.start()
    await expect(page.locator('[data-clock="drop"]')).not.toHaveText('–')
    await expect
      .poll(async () => Number(await page.locator('[data-weight]').textContent()))
      .toBeGreaterThan(12)
    ;({ page, bar } = await powerCut())
    await expect(page.getByRole('link', { name: 'Kept here, 5 waiting' })).toBeVisible()
    await page.getByRole('region', { name: 'Unfinished' }).getByRole('link', { name: 'Go on' }).click()
    await expect(page.getByText('They are marked as estimated')).toBeVisible()
    await expect(page.locator('[data-clock="drop"]')).not.toHaveText('–')
    await page.keyboard.press('Space')
    await bar.step('Cup')
    if ((await page.getByLabel('Net weight').count()) === 0)
      await page.getByRole('radio', { name: 'Scale was tared' }).check()
    await page.getByLabel('Net weight').fill('38.2')
    await bar.save()
    await bar.skipCall()
    await expect(page.getByRole('link', { name: 'Kept here, 9 waiting' })).toBeVisible()

    await app.kill()
    // There is a line again, and nobody at its other end.
    const isTried = page.waitForEvent('requestfailed', (tried) => tried.url().includes('/api/'))
    await line.mend()
    await isTried
    await expect(page.getByRole('link', { name: 'Kept here, 9 waiting' })).toBeVisible()
    await app.restart()
    await untilAllSent(page)
    const shots = await storedShots(page, trainingId)
    expect(shots).toHaveLength(3)
    expect(new Set(shots.map(({ shotId }) => shotId)).size).toBe(3)
    for (const { series } of shots) expect(series?.weight?.split(' ').length).toBeGreaterThan(60)
    expect(shots.map(({ current }) => current.facts.clock?.estimated)).toEqual([true, false, false])
    for (const { shotId, tasted } of shots.slice(1)) {
      const { slips, calls } = await tastingOf(page, shotId)
      expect([slips.length, calls.map(({ stage }) => stage).sort()]).toEqual([2, ['final', 'first']])
      expect(tasted.trainee).not.toBeNull()
    }
    hands.close()
    await leave()
  },
)

testOnOwn(
  'signed out meanwhile: what waits stays with its author, and goes once they are back',
  async ({ page, app, browser }) => {
    const bar = new ScaleBar(page)
    await page.goto('/')
    await page.getByRole('radio', { name: 'Jonas Abelard' }).check()
    await page.getByRole('radio', { name: 'House double' }).check()
    await page.getByRole('button', { name: 'Jonas Abelard to the bar' }).click()
    await expect(page.getByRole('heading', { name: 'Is all ready?' })).toBeVisible()
    await app.kill()
    await bar.step('Cup')
    await page.getByRole('radio', { name: 'Scale was tared' }).check()
    await page.getByLabel('Net weight').fill('38.6')
    await bar.save()
    await expect(page.getByRole('link', { name: 'Kept here, 1 waiting' })).toBeVisible()
    const shotId = page.url().split('/').at(-1) ?? ''
    const elsewhere = await browser.newContext({ baseURL: app.url })
    const cookies = await page.context().cookies()
    await app.restart()
    await elsewhere.addCookies(cookies)
    const out = await elsewhere.request.delete('/api/v1/sessions', { headers: { Origin: app.url } })
    expect(out.ok()).toBe(true)
    await expect(page.getByRole('button', { name: /Come in as Odalys Brandt/ })).toBeVisible()
    await page.getByRole('button', { name: /Come in as Odalys Brandt/ }).click()
    await expect(page.getByRole('link', { name: /^Odalys Brandt is here/ })).toBeVisible()
    await expect(page.getByRole('link', { name: /^Kept here/ })).toBeHidden()
    const stored = await page.request.get(`/api/v1/shots/${shotId}`)
    expect(stored.ok()).toBe(true)
    await elsewhere.close()
  },
)

test('a file that can’t be fetched ends no shot: it is kept, and its reading opens once the line is back', async ({
  page,
}) => {
  const bar = new ScaleBar(page)
  const isDown = /\/assets\/ReadingPage|\/healthz/
  await page.route(isDown, (route) => route.abort())
  await page.goto('/')
  await page.getByRole('radio', { name: 'Jonas Abelard' }).check()
  await page.getByRole('radio', { name: 'House double' }).check()
  await page.getByRole('button', { name: 'Jonas Abelard to the bar' }).click()
  await expect(page.getByText('Not ready to work without network yet')).toBeVisible()
  await bar.step('Cup')
  await page.getByRole('radio', { name: 'Scale was tared' }).check()
  await page.getByLabel('Net weight').fill('38.6')
  await bar.save()
  await expect(page.getByText('“Reading” can’t be fetched just now')).toBeVisible()
  await expectAccessible(page)
  await page.unroute(isDown)
  await expect(page.locator('#verdict')).toBeVisible()
  await expect(page.locator('li[data-rail]', { hasText: 'Yield' })).toContainText('38.6 g')
})

test('a device without room says so, loses nothing, and sends all the same', async ({ page }) => {
  await page.addInitScript(() => {
    const put = Reflect.get(IDBObjectStore.prototype, 'put') as (...args: unknown[]) => IDBRequest
    const add = Reflect.get(IDBObjectStore.prototype, 'add') as (...args: unknown[]) => IDBRequest
    const full = () => {
      if (Reflect.get(window, 'isFull') === true) throw new DOMException('no room', 'QuotaExceededError')
    }
    Reflect.set(IDBObjectStore.prototype, 'put', function (this: IDBObjectStore, ...args: unknown[]) {
      full()
      return put.apply(this, args)
    })
    Reflect.set(IDBObjectStore.prototype, 'add', function (this: IDBObjectStore, ...args: unknown[]) {
      full()
      return add.apply(this, args)
    })
  })
  const bar = new ScaleBar(page)
  await page.goto('/')
  await page.getByRole('radio', { name: 'Jonas Abelard' }).check()
  await page.getByRole('radio', { name: 'House double' }).check()
  await page.getByRole('button', { name: 'Jonas Abelard to the bar' }).click()
  await expect(page.getByRole('heading', { name: 'Is all ready?' })).toBeVisible()
  await page.evaluate(() => Reflect.set(window, 'isFull', true))
  await page.getByLabel('Grind setting').fill('14')
  await expect(page.getByRole('alert')).toContainText('This device has no room left.')
  await bar.step('Cup')
  await page.getByRole('radio', { name: 'Scale was tared' }).check()
  await page.getByLabel('Net weight').fill('38.6')
  await bar.save()
  await expect(page.locator('#verdict')).toBeVisible()
  await expect(page.getByRole('link', { name: /^Kept here/ })).toBeHidden()
  await page.evaluate(() => Reflect.set(window, 'isFull', false))
  await page.reload()
  await expect(page.locator('li[data-rail]', { hasText: 'Yield' })).toContainText('38.6 g')
})

test('a newer app says so and waits to be taken; what is half-entered stays', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('radio', { name: 'Jonas Abelard' }).check()
  await page.getByRole('radio', { name: 'House double' }).check()
  await page.getByRole('button', { name: 'Jonas Abelard to the bar' }).click()
  await page.getByLabel('Grind setting').fill('13')
  // A part of the app that the server no longer has, as the build tool announces it; and the page it has instead.
  await page.route('/', (route) => route.fulfill({ contentType: 'text/html', body: '<p>another</p>' }))
  await page.evaluate(() => window.dispatchEvent(new Event('vite:preloadError')))
  await expect(page.getByText('A newer Calm Apron is ready.')).toBeVisible()
  await page.unroute('/')
  await page.getByRole('button', { name: 'Load it now' }).click()
  await expect(page.getByLabel('Grind setting')).toHaveValue('13')
  await expect(page.getByText('A newer Calm Apron is ready.')).toBeHidden()
})

test('over https from an address other than this machine’s own: a cold start without network, a shot, and it is sent', async () => {
  const address = Object.values(networkInterfaces())
    .flatMap((each) => each ?? [])
    .find(({ family, internal }) => family === 'IPv4' && !internal)?.address
  expect(address).toBeDefined()
  const folder = mkdtempSync(join(tmpdir(), 'calm-apron-tls-'))
  chmodSync(folder, 0o755)
  const database = await createTestDatabase('demo')
  const port = await freePort()
  const url = `https://${address}:${port}`
  const started = startByCommand({
    ...makeCertificate(folder),
    CALM_APRON_DATA: folder,
    HOST: '0.0.0.0',
    PORT: String(port),
    PUBLIC_ORIGIN: url,
    DATABASE_URL: database.appUrl,
    DATABASE_OWNER_URL: database.ownerUrl,
    DEMO: 'yes',
  })
  await started.ready
  const tablet = new Tablet(url, ['--ignore-certificate-errors'])
  let page = await tablet.open()
  await comeInAs(page.request, { url, tag: null }, TRAINER)
  await page.goto('/')
  await untilOnDevice(page)
  await expect(page.getByRole('heading', { name: /^Today/ })).toBeVisible()
  await tablet.cutPower()

  page = await tablet.open()
  await tablet.setLine(false)
  await page.goto('/bar')
  await page.getByRole('radio', { name: 'Nadia Fjordal' }).check()
  await page.getByRole('radio', { name: 'House double' }).check()
  await page.getByRole('button', { name: 'Nadia Fjordal to the bar' }).click()
  const bar = new ScaleBar(page)
  await bar.step('Cup')
  await page.getByRole('radio', { name: 'Scale was tared' }).check()
  await page.getByLabel('Net weight').fill('38.6')
  await bar.save()
  await expect(page.locator('#verdict')).toBeVisible()
  await expect(page.getByRole('link', { name: 'Kept here, 1 waiting' })).toBeVisible()
  await tablet.setLine(true)
  await expect(page.getByRole('link', { name: /^Kept here/ })).toBeHidden()
  await tablet.remove()
  started.process.kill('SIGINT')
  await started.ended
  await database.remove()
  rmSync(folder, { recursive: true, force: true })
})
