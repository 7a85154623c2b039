import { expect, expectAccessible, test } from './fixtures.ts'

test('a reading says how sure it is', async ({ page }) => {
  await page.goto('/progress')
  await page.getByRole('link', { name: 'Mirren Kestle' }).click()
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
