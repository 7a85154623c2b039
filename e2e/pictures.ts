import { join } from 'node:path'
import { CHECKOUT } from '@calm-apron/scripts/testing'
import type { Page } from '@playwright/test'
import { Assessing } from './assessing.ts'
import { Bar } from './bar.ts'
import { HEAD, TRAINEE, comeInAs, expect, test } from './fixtures.ts'
import { phoneOf } from './phone.ts'
import { STOPS_AT_G, ScaleBar } from './scaleBar.ts'
import { StandIns } from './standIns.ts'

async function picture(page: Page, name: string): Promise<void> {
  await page.evaluate(() => document.fonts.ready)
  await page.screenshot({ path: join(CHECKOUT, 'docs/screenshots', `${name}.png`), animations: 'disabled' })
}

test('the main views', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
  await page.clock.install()
  const bar = new Bar(page)
  await page.goto('/')
  await page.getByRole('radio', { name: 'Teo Varga-Lind' }).check()
  await page.getByRole('radio', { name: 'House double' }).check()
  await expect(page.getByRole('heading', { name: 'Coffee' })).toBeVisible()
  await page.evaluate(() => window.scrollTo(0, 0))
  await picture(page, 'today')

  await bar.begin('Teo Varga-Lind', 'House double')
  for (const question of ['Machine and portafilter hot', 'Basket dry', 'Basket and screen clean']) {
    await bar.answer(question, 'Yes')
  }
  await page.getByLabel('Grind setting').fill('16')
  await bar.weigh('Dose', 'Portafilter 1', '605.7')
  await page.getByLabel('Full weight').fill('604.7')
  await bar.answer('Purged since the last setting change', 'Yes')
  await bar.goTo('Tamp')
  await bar.answer('Seen from above', 'Level')
  await bar.answer('Pressed until it stopped giving', 'Yes')

  await bar.goTo('Pull')
  await page.keyboard.press('Space')
  await page.clock.runFor(5600)
  await page.keyboard.press('Space')
  await page.clock.runFor(15_800)
  await page.keyboard.press('Space')
  await bar.weigh('Cup', 'Tasting cup', '157.8')
  await bar.goTo('Look')
  await bar.answer('The stream', 'Even')
  await bar.answer('The puck, after knocking out', 'Even, whole')
  await bar.taste(7, 4, 2)

  await bar.save()
  await page.clock.runFor(500)
  await expect(page.getByRole('link', { name: /^Kept here/ })).toBeHidden()
  await picture(page, 'reading')
  await page.goto('/progress')
  const callum = page.getByRole('row').filter({ hasText: 'Callum Osei' })
  await expect(callum).toContainText('light on average, and not so before.')
  await picture(page, 'team')
  await page.getByRole('link', { name: 'Callum Osei' }).click()
  await page.getByRole('button', { name: 'Chart: Dose' }).click()
  await expect(page.getByText('The figures as a table')).toBeVisible()
  await page.evaluate(() => window.scrollTo(0, 0))
  await picture(page, 'progress')
  await page.goto('/shots?from=2026-01-01')
  for (const no of [1, 2, 4]) await page.locator('main ol > li').nth(no).getByLabel('Compare').check()
  await expect(page.getByText('3 shots ticked')).toBeVisible()
  await page.evaluate(() => window.scrollTo(0, 0))
  await picture(page, 'shots')
  await page.goto('/trainings')
  await page.locator('main li').nth(1).getByRole('link').click()
  await expect(page.getByRole('heading', { name: 'What it came to' })).toBeVisible()
  await expect(page.getByRole('button', { name: /sentence to take home/ }).first()).toBeVisible()
  await picture(page, 'session')
})

test('a training with the scale', async ({ page, app, browser }) => {
  const standIns = await StandIns.start(10)
  await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
  const bar = await ScaleBar.on(page, standIns)
  const hands = await standIns.hands(0)
  await bar.startTraining({
    'Mirren Kestle': 'Group 1',
    'Nadia Fjordal': 'Group 1',
    'Teo Varga-Lind': 'Group 2',
  })
  await page.getByRole('link', { name: 'Dial in' }).click()
  for (let shot = 0; shot < 2; shot += 1) {
    const words = (await page.locator('#next-shot').textContent()) ?? ''
    const setting = Number(/(?:[Aa]t|to) (\d+)/.exec(words)?.[1])
    await page.getByRole('button', { name: `Pull at ${setting}` }).click()
    await bar.pull(hands, { setting, stopAtG: STOPS_AT_G })
    await expect(page.locator('#verdict')).toBeVisible()
    await page.getByRole('link', { name: 'Go on dialling in' }).click()
  }
  await expect(page.getByText(/from 2 shots/)).toBeVisible()
  await picture(page, 'dial-in')
  await page.getByRole('button', { name: /^Lock \d+ for this session/ }).click()
  await bar.next('Group 1')
  await hands.order({ kind: 'take' }, { kind: 'tare' }, { kind: 'put', vesselG: 586.4, contentG: 19.1 })
  await bar.step('Dose')
  await expect(page.getByText('In Portafilter 1.')).toBeVisible()
  await picture(page, 'bar-dose')
  await bar.prepare(hands)
  await bar.start()
  await expect(page.getByText(/^At this flow, stop at/)).toBeVisible()
  await page.getByRole('button', { name: 'Like honey' }).click()
  const weighed = async () => Number(await page.locator('[data-weight]').textContent())
  await expect.poll(weighed).toBeGreaterThan(15)
  await picture(page, 'bar-during')
  await bar.stopOnCue()
  await bar.save()
  await expect(page.getByRole('heading', { name: /by eye alone/ })).toBeVisible()
  const shotPath = new URL(page.url()).pathname
  const pocket = await browser.newContext({ baseURL: app.url, viewport: { width: 390, height: 844 } })
  const phone = await pocket.newPage()
  await comeInAs(phone.request, app, TRAINEE)
  await phone.goto(shotPath)
  const own = new ScaleBar(phone)
  await own.say('On time', 'Hold it')
  await picture(phone, 'phone-call')
  await pocket.close()
  await page.goto('/')
  await page.getByRole('link', { name: /^Training Mirren/ }).click()
  await expect(page.getByText('1 shot', { exact: true }).first()).toBeVisible()
  await expect(page.getByText('Works without network while open')).toBeVisible()
  await picture(page, 'training')

  const watcher = await phoneOf(browser, app, TRAINEE)
  await watcher.goto(page.url())
  await expect(watcher.locator('[data-line="in-step"]')).toBeVisible()
  await bar.next('Group 2')
  await watcher.getByRole('link', { name: 'Watch Teo Varga-Lind' }).click()
  await bar.step('Pull')
  await bar.start()
  await watcher.getByRole('button', { name: 'Watched: all done' }).tap()
  await watcher.getByRole('button', { name: /^Flush the group/ }).tap()
  await picture(watcher, 'phone-watch')
  await watcher.context().close()
  hands.close()
  standIns.stop()
})

test('the views of Prepare', async ({ page }) => {
  const id = (kind: string) => `019a5c00-0000-70${kind}-8000-000000000001`
  await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
  await page.goto(`/prepare/recipes/${id('03')}`)
  await expect(page.getByText('Quay double')).toBeVisible()
  await picture(page, 'recipe')
  await page.goto(`/prepare/bar/${id('07')}`)
  await expect(page.getByText('Basket, selector and buttons agree.')).toBeVisible()
  await page.getByRole('heading', { name: 'Machines' }).scrollIntoViewIfNeeded()
  await page.evaluate(() => document.querySelector('#machines')?.scrollIntoView())
  await picture(page, 'room')
})

test.describe('signing off', () => {
  test.use({ signedIn: HEAD })

  test('a set as the rules propose it', async ({ page, app }) => {
    await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
    const bar = await Assessing.on(page, app)
    const trainingId = await bar.training(TRAINEE)
    await page.goto(`/trainings/${trainingId}`)
    await page.getByRole('button', { name: 'Begin a set' }).click()
    await page.getByLabel('Programme', { exact: true }).selectOption({ label: 'Espresso at the bar' })
    await page.getByRole('radio', { name: 'Look and numbers only' }).check()
    await page.getByLabel('Reason').fill('Starts at the quay on Monday')
    await page.getByRole('button', { name: 'Begin the set' }).click()
    await expect.poll(() => bar.running()).not.toBe('')
    const its = { trainingId, assessmentId: await bar.running() }
    await bar.shot(its, { purpose: 'reference' })
    for (const heavierG of [0, 4.5, 0, 4.5, 0]) await bar.shot(its, { by: TRAINEE, heavierG })
    await bar.shot(its, { purpose: 'reference' })
    await page.getByRole('button', { name: 'End the set and open it' }).click()
    await expect(page.locator('[data-part="yield"]')).toContainText('not yet')
    await picture(page, 'decision')
  })
})

test.describe('people and doors', () => {
  test.use({ signedIn: null })

  test('the views of coming in, people and the trail', async ({ page }) => {
    await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
    await page.goto('/')
    await expect(page.getByRole('button', { name: /Halla Winterbourne/ })).toBeVisible()
    await picture(page, 'come-in')
    await page.getByRole('button', { name: /Halla Winterbourne/ }).click()
    await expect(page.getByRole('heading', { name: /^Today/ })).toBeVisible()
    await page.goto('/settings/people')
    await page.getByRole('link', { name: 'Bram Ostergard' }).click()
    await page.getByRole('radio', { name: 'Head of training' }).check()
    await page.getByLabel('Why (if it is worth noting)').fill('runs the second room')
    await page.getByRole('button', { name: 'Save', exact: true }).click()
    await expect(page.getByText('Saved.')).toBeVisible()
    await page.getByRole('link', { name: 'All people' }).click()
    await picture(page, 'people')
    await page.getByRole('button', { name: 'Invite someone' }).click()
    await page.getByLabel('Name').fill('Ida Marsh')
    await page.getByRole('radio', { name: 'Trainer' }).check()
    await page.getByRole('button', { name: 'Make the invitation' }).click()
    await expect(page.getByAltText(/picture for a phone/)).toBeVisible()
    const link = await page.getByLabel('Link', { exact: true }).inputValue()

    await page.setViewportSize({ width: 390, height: 844 })
    await page.goto(link)
    await page.getByLabel('Sign-in name').fill('ida@ostrel.example')
    await page.getByLabel('New password').fill('gulls over the quay')
    await page.getByRole('button', { name: 'Join' }).click()
    await expect(page.getByRole('link', { name: /Ida Marsh is here/ })).toBeVisible()
  })
})

test('on a phone, and in a dim bar', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'dark', reducedMotion: 'reduce' })
  await page.goto('/progress')
  await page.getByRole('link', { name: 'Suvi Okonjo' }).click()
  await expect(page.locator('ol > li')).toHaveCount(20)
  await page.locator('ol > li').nth(1).getByRole('link').click()
  // How far to move is told once it is known what the grinder did.
  await expect(page.getByText(/From \d+ to \d+/).first()).toBeVisible()
  await picture(page, 'reading-choked-dark')
  await page.setViewportSize({ width: 390, height: 844 })
  await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
  await picture(page, 'phone-reading')
  await page.goto('/progress')
  await page.getByRole('link', { name: 'Suvi Okonjo' }).click()
  await expect(page.locator('ol > li').first()).toBeVisible()
})
