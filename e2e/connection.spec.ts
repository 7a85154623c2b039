import { Bar, untilClock } from './bar.ts'
import { expect, test } from './fixtures.ts'
import { test as testOnOwn } from './ownApp.ts'

testOnOwn(
  'with the database gone the bar goes on, the shot waits on the device and is sent later',
  async ({ page, app }) => {
    const bar = new Bar(page)
    await bar.begin('Teo Varga-Lind', 'House double')
    await app.database.cut()
    await page.getByLabel('Grind setting').fill('14')
    await bar.typeTimes('7', '28')
    await bar.weigh('Cup', 'Glass cup', '126.3')
    await bar.save()
    await expect(page.getByText('Kept on this device, waiting to be sent.')).toBeVisible()
    await expect(page.getByRole('link', { name: 'Kept here, 1 waiting' })).toBeVisible()
    await expect(bar.rail('Yield')).toContainText('39.0 g')
    await page.getByRole('link', { name: 'Teo Varga-Lind’s shots' }).click()
    await expect(page.locator('ol > li')).toContainText('waiting to be sent')

    await page.reload()
    await expect(page.getByText(/The server is not answering: as of/)).toBeVisible()
    await expect(page.locator('ol > li')).toContainText('waiting to be sent')

    await app.database.mend()
    await expect(page.getByRole('link', { name: /^Kept here/ })).toBeHidden()
    await expect(page.locator('ol > li')).toHaveCount(1)
    await expect(page.locator('ol > li')).not.toContainText('waiting to be sent')
  },
)

testOnOwn(
  'nothing moves under a finger as what was kept here is sent, on a phone neither',
  async ({ page, app }) => {
    const bar = new Bar(page)
    await page.setViewportSize({ width: 390, height: 844 })
    await bar.begin('Teo Varga-Lind', 'House double')
    await page.getByLabel('Grind setting').fill('14')
    await app.database.cut()
    await bar.save()
    const kept = page.getByText('Kept on this device, waiting to be sent.')
    await expect(kept).toBeVisible()
    await expect(page.getByRole('link', { name: 'Kept here, 1 waiting' })).toBeVisible()
    const pressed = page.locator('.actions').locator('button, a')
    const places = async () => {
      const boxes = await Promise.all((await pressed.all()).map((each) => each.boundingBox()))
      return boxes.map((box) => box?.y)
    }
    const before = await places()
    await app.database.mend()
    await expect(kept).toBeHidden()
    await expect(page.getByRole('link', { name: /^Kept here/ })).toBeHidden()
    expect(await places()).toEqual(before)
  },
)

test('a half-entered shot survives a reload in mid-shot, and its times are marked as estimated', async ({
  page,
}) => {
  const bar = new Bar(page)
  await bar.begin('Mirren Kestle', 'House double')
  await page.getByLabel('Grind setting').fill('14')
  await bar.goTo('Pull')
  await page.keyboard.press('Space')
  await untilClock(page, 0.8)
  await page.reload()
  await expect(page.getByText('They are marked as estimated')).toBeVisible()
  await page.getByRole('button', { name: /First drop/ }).click()
  await untilClock(page, 0.5, 'drop')
  await page.getByRole('button', { name: /^Pump off/ }).click()
  const stopS = Number(await page.getByLabel('Stopped at').inputValue())
  expect(stopS).toBeGreaterThan(1.2)
  await bar.goTo('Before you grind')
  await expect(page.getByLabel('Grind setting')).toHaveValue('14')
})

test('an unfinished shot is offered on Today, can be thrown away, and brought back', async ({ page }) => {
  const bar = new Bar(page)
  await bar.begin('Mirren Kestle', 'House double')
  await page.getByLabel('Grind setting').fill('11')
  await page.getByRole('link', { name: 'Today' }).click()
  const unfinished = page.getByRole('region', { name: 'Unfinished' })
  await unfinished.getByRole('button', { name: 'Throw away' }).click()
  await expect(unfinished.getByRole('link')).toHaveCount(0)
  await unfinished.getByRole('button', { name: 'Bring it back' }).click()
  await unfinished.getByRole('link', { name: 'Go on' }).click()
  await expect(page.getByLabel('Grind setting')).toHaveValue('11')
})

test('two taps by the same wet finger are one mark, and a mark can be taken back', async ({ page }) => {
  const bar = new Bar(page)
  await bar.begin('Mirren Kestle', 'House double')
  await bar.goTo('Pull')
  // Within one moment, however slow the machine that presses them.
  await page.evaluate(() => {
    for (const _tap of [1, 2])
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: ' ', code: 'Space', bubbles: true }))
  })
  await expect(page.getByRole('button', { name: /First drop/ })).toBeVisible()
  await untilClock(page, 0.5)
  await page.keyboard.press('Space')
  await untilClock(page, 0.5, 'drop')
  await page.keyboard.press('Space')
  await expect(page.getByLabel('Stopped at')).not.toHaveValue('')
  await page.keyboard.press('u')
  await expect(page.getByRole('button', { name: /^Pump off/ })).toBeVisible()
  await page.keyboard.press('u')
  await expect(page.getByRole('button', { name: /First drop/ })).toBeVisible()
})

test('the screen is kept awake while a shot is on it, and what the device keeps is asked to stay', async ({
  page,
}) => {
  await page.addInitScript(() => {
    const asked: string[] = []
    const noted = (what: string) => Promise.resolve(asked.push(what))
    const lock = () => Object.assign(new EventTarget(), { release: () => noted('asleep again') })
    Object.assign(window, { asked })
    Object.defineProperty(navigator, 'wakeLock', {
      value: { request: (kind: string) => noted(`${kind} awake`).then(lock) },
    })
    Object.assign(navigator.storage, {
      persisted: () => Promise.resolve(false),
      persist: () => noted('keep it').then(() => true),
    })
  })
  const asked = () => page.evaluate(() => ('asked' in window ? window.asked : []))
  await new Bar(page).begin('Jonas Abelard', 'House double')
  await expect.poll(asked).toEqual(expect.arrayContaining(['keep it', 'screen awake']))
  expect(await asked()).not.toContain('asleep again')
  await page.getByRole('link', { name: 'Today', exact: true }).click()
  await expect.poll(asked).toContain('asleep again')
})
