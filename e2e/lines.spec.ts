import { openLine } from '@calm-apron/scripts/testing'
import { atTheBar, untilAllSent } from './cutOff.ts'
import { TRAINER, comeInAs, expect } from './fixtures.ts'
import { test as testOnOwn } from './ownApp.ts'
import { ScaleBar, storedShots } from './scaleBar.ts'
import { Tablet } from './tablet.ts'

testOnOwn(
  'on Wi-Fi that hangs nobody waits: the reading, the next one and the whole app come from the device, and all is sent once',
  async ({ app }) => {
    const { page, bar, line, leave, ...bench } = await atTheBar(app)
    const hands = await bench.hands()
    const trainingId = await bar.startTraining({ 'Mirren Kestle': 'Group 1', 'Teo Varga-Lind': 'Group 1' })
    await bar.next('Group 1')
    await bar.pull(hands)
    await bar.callAndTaste('Mirren Kestle')
    await expect(page.locator('[data-line="in-step"]')).toBeVisible()
    await bar.toTraining()
    await untilAllSent(page)

    line.hang()
    // Nothing that was asked for ends before all of this is through: what is shown can only be the device's.
    const failed: string[] = []
    page.on('requestfailed', (request) => failed.push(request.url()))
    await page.getByRole('button', { name: 'Next: Teo Varga-Lind' }).click()
    await expect(page.getByRole('heading', { name: 'Is all ready?' })).toBeVisible()
    await bar.step('Cup')
    await page.getByRole('radio', { name: 'Scale was tared' }).check()
    await page.getByLabel('Net weight').fill('38.2')
    await bar.save()
    await bar.skipCall()
    await expect(page.getByText('Kept on this device, waiting to be sent.')).toBeVisible()
    await page.getByRole('button', { name: 'Next: Mirren Kestle' }).click()
    await expect(page.getByRole('heading', { name: 'Is all ready?' })).toBeVisible()
    expect(failed.filter((url) => url.includes('/api/v1/shots'))).toEqual([])

    await page.reload()
    await expect(page.getByRole('heading', { name: 'Is all ready?' })).toBeVisible()
    await page.getByRole('link', { name: 'Today', exact: true }).click()
    await expect(page.getByRole('heading', { name: /^Today/ })).toBeVisible()
    await expect(page.getByRole('radio', { name: 'House double' })).toBeVisible()
    await expect(page.getByRole('link', { name: 'Kept here, 4 waiting' })).toBeVisible()

    await line.mend()
    await untilAllSent(page)
    await expect(page.locator('[data-line="in-step"]')).toBeVisible()
    const shots = await storedShots(page, trainingId)
    expect(shots.map(({ current }) => current.facts.cup?.netG)[0]).toBe(38.2)
    expect(shots).toHaveLength(2)
    hands.close()
    await leave()
  },
)

testOnOwn(
  'a tablet whose line was cut has what the other did once it is back, unasked: the turn, the name, the recipe',
  async ({ page, app }) => {
    const bar = new ScaleBar(page)
    await comeInAs(page.request, { url: app.url, tag: null }, TRAINER)
    await bar.startTraining({ 'Mirren Kestle': 'Group 1', 'Teo Varga-Lind': 'Group 1' })
    const line = await openLine(Number(new URL(app.url).port))
    const url = `http://127.0.0.1:${line.port}`
    const tablet = new Tablet(url)
    const second = await tablet.open()
    await comeInAs(second.request, { url, tag: null }, TRAINER)
    await second.goto(new URL(page.url()).pathname)
    await expect(second.getByRole('button', { name: 'Next: Mirren Kestle' })).toBeVisible()
    await expect(second.locator('[data-line="in-step"]')).toBeVisible()

    await line.cut()
    await expect(second.locator('[data-line="in-step"]')).toBeHidden()
    await bar.next('Group 1')
    await bar.step('Cup')
    await page.getByRole('radio', { name: 'Scale was tared' }).check()
    await page.getByLabel('Net weight').fill('38.2')
    await bar.save()
    await bar.skipCall()
    const recipes = (await (await page.request.get('/api/v1/prepared?kind=recipe')).json()) as {
      things: { preparedId: string; revisionNo: number; content: { name: string } }[]
    }
    const house = recipes.things.find(({ content }) => content.name === 'House double')
    await page.request.put(
      `/api/v1/prepared/${house?.preparedId}/revisions/019a5c00-0000-7030-8000-000000000002`,
      {
        headers: { Origin: app.url },
        data: {
          basedOnNo: house?.revisionNo,
          thing: { kind: 'recipe', parentId: null, content: { ...house?.content, name: 'Quay double' } },
        },
      },
    )
    await line.mend()
    await expect(second.getByRole('button', { name: 'Next: Teo Varga-Lind' })).toBeVisible()
    await expect(second.getByRole('heading', { name: '1 shot so far' })).toBeVisible()
    await second.getByRole('link', { name: 'Today', exact: true }).click()
    await expect(second.getByRole('radio', { name: 'Quay double' })).toBeVisible()
    await tablet.remove()
    await line.cut()
  },
)

testOnOwn(
  'what the server refuses on a full device is kept and shown, mended with its curve, and sent',
  async ({ app }) => {
    const { page, bar, leave, ...bench } = await atTheBar(app)
    const hands = await bench.hands()
    const trainingId = await bar.startTraining({ 'Mirren Kestle': 'Group 1' })
    await bar.next('Group 1')
    await bar.prepare(hands)
    await bar.start()
    await bar.stopOnCue()
    const isShot = '**/api/v1/shots/*'
    await page.route(isShot, (route) =>
      route.fulfill({
        status: 422,
        contentType: 'application/problem+json',
        json: { type: 'about:blank', code: 'invalid-input', title: 'No', status: 422, detail: 'No.' },
      }),
    )
    await page.evaluate(() => {
      const full = () => {
        throw new DOMException('no room', 'QuotaExceededError')
      }
      const own = Object.getOwnPropertyDescriptors(IDBObjectStore.prototype)
      Object.assign(IDBObjectStore.prototype, { put: full, add: full })
      Reflect.set(window, 'makeRoom', () =>
        Object.defineProperties(IDBObjectStore.prototype, { put: own.put, add: own.add }),
      )
    })
    await bar.save()
    await expect(page.getByRole('link', { name: '1 record needs you' })).toBeVisible()
    await page.evaluate(() => (Reflect.get(window, 'makeRoom') as () => void)())
    await page.unroute(isShot)
    await page.getByRole('link', { name: '1 record needs you' }).click()
    await page.getByRole('button', { name: 'Open it and mend it' }).click()
    await expect(page.getByRole('heading', { name: /\?$|Pull/ }).first()).toBeVisible()
    await bar.save()
    await bar.skipCall()
    await untilAllSent(page)
    const [shot] = await storedShots(page, trainingId)
    expect(shot?.series?.weight?.split(' ').length).toBeGreaterThan(60)
    hands.close()
    await leave()
  },
)
