import { expect, expectAccessible, test } from './fixtures.ts'

test('Progress says where each reading stands, and a reading says how sure it is', async ({ page }) => {
  await page.goto('/progress')
  await test.step('the ladder of five readings, with what the next rung takes', async () => {
    await page.getByRole('radio', { name: 'Mirren Kestle' }).check()
    const panel = page.getByRole('region', { name: 'Where it stands' })
    await expect(panel.getByRole('listitem')).toHaveCount(5)
    await expect(panel.getByRole('img', { name: /^Dose: on in \d+ % of shots/ })).toBeVisible()
    await expect(panel.getByText(/more on in a row, and it is steady/).first()).toBeVisible()
  })
  await test.step('how likely each cause is, likeliest first', async () => {
    await page
      .getByRole('link', { name: /^Reading of/ })
      .last()
      .click()
    await page.getByText('How likely each cause is').click()
    const shares = await page.locator('.causes li .figure').allTextContents()
    const numbers = shares.map((share) => Number.parseInt(share, 10))
    expect(numbers.length).toBeGreaterThan(1)
    expect(numbers).toEqual([...numbers].sort((a, b) => b - a))
  })
  await test.step('axe finds nothing with it open', async () => {
    await expectAccessible(page)
  })
})
