import type { Page } from '@playwright/test'
import { Assessing, signByPassword } from './assessing.ts'
import { HEAD, TRAINEE, expect, test } from './fixtures.ts'

test.use({ signedIn: HEAD })

const setOn = (page: Page) => page.locator('[data-set]')

async function begin(page: Page, reason: string): Promise<void> {
  await page.getByRole('radio', { name: 'Look and numbers only' }).check()
  if (reason !== '') await page.getByLabel('Reason').fill(reason)
  await page.getByRole('button', { name: 'Begin the set' }).click()
  await expect(setOn(page)).toBeVisible()
}

async function endAndSign(page: Page): Promise<void> {
  await setOn(page).getByRole('button', { name: 'End the set and open it' }).click()
  await signByPassword(page)
}

test('a reference that is off is pulled again; what failed is repeated alone; once signed, two shots look at it again', async ({
  page,
  app,
}) => {
  const bar = await Assessing.on(page, app)
  const trainingId = await bar.training(TRAINEE)
  const open = async () => {
    await page.goto(`/trainings/${trainingId}`)
    await page.getByRole('button', { name: 'Begin a set' }).click()
    await page.getByLabel('Whose set?').selectOption({ label: TRAINEE })
    await page.getByLabel('Programme', { exact: true }).selectOption({ label: 'Espresso at the bar' })
  }
  const its = async () => {
    await expect.poll(() => bar.running()).not.toBe('')
    return { trainingId, assessmentId: await bar.running() }
  }

  await test.step('the bar is mended before anybody is measured by it', async () => {
    await open()
    await begin(page, 'Starts at the quay on Monday')
    const set = await its()
    await bar.shot(set, { purpose: 'reference', slowerS: 20 })
    await expect(setOn(page)).toContainText('The last reference was off.')
    await bar.shot(set, { purpose: 'reference' })
    await expect(setOn(page)).toContainText('Shot 1 of 5.')
    for (const heavierG of [0, 4.5, 4.5, 0, 4.5]) await bar.shot(set, { by: TRAINEE, heavierG })
    await bar.shot(set, { purpose: 'reference' })
    await endAndSign(page)
    await expect(page.getByRole('status').filter({ hasText: 'Not yet: yield.' })).toBeVisible()
  })

  await test.step('only what failed is repeated, from the next day, or with a reason', async () => {
    await open()
    await expect(page.getByText('Repeated: yield')).toBeVisible()
    await expect(page.getByText(/^It is repeated from /)).toBeVisible()
    await expect(page.getByRole('button', { name: 'Begin the set' })).toBeDisabled()
    await begin(page, 'The ferry leaves tomorrow')
    const set = await its()
    await bar.shot(set, { purpose: 'reference' })
    for (let no = 0; no < 5; no += 1) await bar.shot(set, { by: TRAINEE })
    await bar.shot(set, { purpose: 'reference' })
    await endAndSign(page)
    await expect(page.getByRole('status').filter({ hasText: 'Signed off.' })).toBeVisible()
    await expect(page.locator('[data-part]')).toHaveCount(1)
  })

  await test.step('two shots look at it again', async () => {
    await open()
    await expect(page.getByText('two shots to look at it again, not a set')).toBeVisible()
    await begin(page, '')
    const set = await its()
    await bar.shot(set, { purpose: 'reference' })
    await expect(setOn(page)).toContainText('Shot 1 of 2.')
    for (const heavierG of [0, 4.5]) await bar.shot(set, { by: TRAINEE, heavierG })
    await endAndSign(page)
    await expect(page.getByText('Two shots to look at it again')).toBeVisible()
    await expect(page.getByRole('status').filter({ hasText: 'It holds meanwhile.' })).toBeVisible()
  })

  await test.step('once more, and it is confirmed', async () => {
    await open()
    await begin(page, '')
    const set = await its()
    await bar.shot(set, { purpose: 'reference' })
    for (let no = 0; no < 2; no += 1) await bar.shot(set, { by: TRAINEE })
    await endAndSign(page)
    await expect(page.getByRole('status').filter({ hasText: 'Signed off.' })).toBeVisible()
    await page.goto(`/progress/${bar.idOf(TRAINEE)}`)
    const stands = page.locator('[data-programme="Espresso at the bar"]')
    await expect(stands.getByText(/^Signed off on /)).toBeVisible()
    await expect(stands.getByText(/^Looked at again on /)).toBeVisible()
  })
})
