import { phoneOf } from './phone.ts'
import { TRAINEE, expect, expectAccessible, test } from './fixtures.ts'

test('the book of shots: looked for by reading, person and words, some side by side, hidden which is which and shown again', async ({
  page,
  app,
  browser,
}) => {
  await page.goto('/progress')
  await page.getByRole('link', { name: 'Shots', exact: true }).click()
  const rows = page.locator('main ol > li')
  await expect(rows.first()).toBeVisible()
  const all = await rows.count()

  await test.step('narrowed down; the address keeps it', async () => {
    await page.getByText('Narrow it down').click()
    await page.getByLabel('How a reading stood').selectOption('Dose: off')
    await expect(page).toHaveURL(/reading=dose&standing=off/)
    await expect(async () => {
      const found = await rows.count()
      expect(found).toBeGreaterThan(0)
      expect(found).toBeLessThan(all)
    }).toPass()
    await page.reload()
    await expect(page.getByLabel('How a reading stood')).toHaveValue('dose off')
    await page.getByLabel('Who pulled').selectOption('Callum Osei')
    await expect(page.getByText('No shot is like that. Take a condition away to see more.')).toBeVisible()
    await expectAccessible(page)
    await page.getByRole('button', { name: 'Show all shots again' }).click()
    await expect(rows).toHaveCount(all)
  })

  await test.step('two side by side; blind, nothing says which is which', async () => {
    await rows.nth(0).getByLabel('Compare').check()
    await rows.nth(1).getByLabel('Compare').check()
    await page.getByRole('link', { name: 'See them side by side' }).click()
    await expect(page.getByRole('heading', { name: 'Shots side by side' })).toBeVisible()
    await expect(page.locator('main section')).toHaveCount(2)
    await expect(page.getByRole('link', { name: 'Its reading' })).toHaveCount(2)
    await expectAccessible(page)
    await page.getByRole('button', { name: 'Hide which is which' }).click()
    await expect(page.getByText('Which is which is hidden')).toBeVisible()
    await expect(page.getByRole('heading', { level: 2 })).toHaveText([/^\d{3}$/, /^\d{3}$/])
    expect(await page.locator('main').innerText()).not.toMatch(
      /Kestle|Abelard|Okonjo|Varga|House double|Harbour/,
    )
    await page.getByRole('button', { name: 'Show which is which' }).click()
    await expect(page.getByRole('heading', { level: 2 })).toHaveText([/^\d{3} · .+/, /^\d{3} · .+/])
  })

  await test.step('whoever learns finds their own alone', async () => {
    const phone = await phoneOf(browser, app, TRAINEE)
    await phone.goto(`${app.url}/shots`)
    await expect(phone.locator('main ol > li').first()).toBeVisible()
    await expect(phone.getByLabel('Who pulled')).toHaveCount(0)
    expect(await phone.locator('main').innerText()).not.toMatch(/Abelard|Okonjo/)
    await expectAccessible(phone)
  })
})
