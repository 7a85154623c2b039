import { join } from 'node:path'
import { CHECKOUT } from '@calm-apron/scripts/testing'
import type { Page } from '@playwright/test'
import { Bar } from './bar.ts'
import { expect, test } from './fixtures.ts'

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
  await picture(page, 'today')

  await bar.begin('Teo Varga-Lind', 'House double')
  for (const question of [
    'Machine and portafilter hot',
    'Basket dry and clean',
    'Purged since the last setting change',
  ]) {
    await bar.answer(question, 'Yes')
  }
  await page.getByLabel('Grind setting').fill('16')
  await picture(page, 'bar-ready')
  await bar.weigh('Dose', 'Portafilter 1', '605.7')
  await picture(page, 'bar-before')
  await page.getByLabel('Full weight').fill('604.7')
  await bar.goTo('Tamp')
  await bar.answer('Seen from above', 'Level')
  await bar.answer('Pressed until it stopped giving', 'Yes')

  await bar.goTo('Pull')
  await page.keyboard.press('Space')
  await page.clock.runFor(5600)
  await page.keyboard.press('Space')
  await page.clock.runFor(11_300)
  await picture(page, 'bar-during')
  await page.clock.runFor(4500)
  await page.keyboard.press('Space')
  await bar.weigh('Cup', 'Tasting cup', '157.8')
  await bar.goTo('Look')
  await bar.answer('The stream', 'Even')
  await bar.answer('The puck, after knocking out', 'Even, whole')
  await bar.taste(7, 4, 2)
  await picture(page, 'bar-after')

  await bar.save()
  await page.clock.runFor(500)
  await picture(page, 'reading')
  await page.goto('/progress')
  await page.getByRole('radio', { name: 'Mirren Kestle' }).check()
  await expect(page.locator('ol > li')).toHaveCount(5)
  await picture(page, 'progress')
  await page
    .getByRole('link', { name: /Reading of/ })
    .first()
    .click()
  await page.getByRole('link', { name: 'Correct a number' }).click()
  await page.getByLabel('Grind setting').fill('15')
  await picture(page, 'correct')
  await page.goto('/settings')
  await picture(page, 'settings')
})

test('on a phone, and in a dim bar', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'dark', reducedMotion: 'reduce' })
  await page.goto('/progress')
  await page.getByRole('radio', { name: 'Suvi Okonjo' }).check()
  await expect(page.locator('ol > li')).toHaveCount(3)
  await page.locator('ol > li').nth(1).getByRole('link').click()
  await expect(page.locator('#verdict')).toBeVisible()
  await picture(page, 'reading-choked-dark')
  await page.setViewportSize({ width: 390, height: 844 })
  await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
  await picture(page, 'phone-reading')
  await page.goto('/progress')
  await expect(page.locator('ol > li').first()).toBeVisible()
  await picture(page, 'phone-progress')
})
