import { Bar } from './bar.ts'
import { TRAINER, comeInAs, expect, test } from './fixtures.ts'

test('what can’t be is said at its field with the mend, and nothing typed is lost', async ({ page }) => {
  const bar = new Bar(page)
  await bar.begin('Mirren Kestle', 'House double')
  await page.getByLabel('Grind setting').fill('fourteen')
  await expect(page.getByRole('alert')).toHaveText('That is no number. Write it like 18.2.')

  await bar.goTo('Dose')
  await bar.answer('How was it weighed?', 'Scale was tared')
  await page.getByLabel('Net weight').fill('-18')
  await expect(page.getByRole('alert')).toHaveText(/can’t be below zero/)
  await bar.answer('How was it weighed?', 'Full and empty')
  await page.getByLabel('Full weight').fill('1,234')
  await expect(page.getByRole('alert')).toHaveText(/Is that 1.234 or 1234/)

  await bar.typeTimes('9', '5')
  await expect(page.getByRole('alert')).toHaveText(/The stop lies before the first drop/)

  await page.getByRole('button', { name: 'Save and read' }).click()
  await expect(page.getByLabel('Grind setting')).toHaveValue('fourteen')
  await page.reload()
  await expect(page.getByLabel('Grind setting')).toHaveValue('fourteen')
  await bar.goTo('Dose')
  await expect(page.getByLabel('Full weight')).toHaveValue('1,234')
})

test('what was tapped and typed just before the page went away is there again', async ({ page }) => {
  const bar = new Bar(page)
  await bar.begin('Mirren Kestle', 'House double')
  // A page that is going away hears of nothing that is still under way, so once may be luck.
  for (const last of [1, 2, 3, 4, 5]) {
    const isBack = page.waitForEvent('load')
    await page.getByLabel('Grind setting').evaluate(async (field: HTMLInputElement, lastDigit) => {
      for (const text of ['1', '12', '12.', `12.${lastDigit}`]) {
        field.value = text
        field.dispatchEvent(new Event('input', { bubbles: true }))
        await new Promise((resolve) => setTimeout(resolve))
      }
      location.reload()
    }, last)
    await isBack
    await expect(page.getByLabel('Grind setting')).toHaveValue(`12.${last}`)
  }
})

test('a dose of 190 g is offered as a forgotten tare', async ({ page }) => {
  const bar = new Bar(page)
  await bar.begin('Mirren Kestle', 'House double')
  await bar.goTo('Dose')
  await bar.answer('How was it weighed?', 'Scale was tared')
  await page.getByLabel('Net weight').fill('190')
  await expect(page.getByText('That looks like Dosing cup with 17.6 g in it.')).toBeVisible()
  await page.getByRole('button', { name: 'Use 17.6 g' }).click()
  await expect(page.getByText('Net 17.6 g')).toBeVisible()
  await expect(page.getByLabel('Empty weight')).toHaveValue('172.4')
})

test('a double click on save records one shot', async ({ page, app }) => {
  const bar = new Bar(page)
  await bar.begin('Teo Varga-Lind', 'House double')
  await page.getByLabel('Grind setting').fill('14')
  await page.getByRole('button', { name: 'Save and read' }).dblclick()
  await expect(bar.verdict).toBeVisible()
  await page.getByRole('link', { name: 'Teo Varga-Lind’s shots' }).click()
  await expect(page.locator('ol > li')).toHaveCount(1)
  const list = await page.request.get(`${app.url}/api/v1/shots?limit=100`)
  const { shots } = (await list.json()) as { shots: unknown[] }
  expect(shots).toHaveLength(12)
})

test('the same shot saved from two tabs: the second is asked, and becomes a correction', async ({
  page,
  context,
}) => {
  const bar = new Bar(page)
  await bar.begin('Teo Varga-Lind', 'House double')
  await page.getByLabel('Grind setting').fill('14')
  const twin = await context.newPage()
  await twin.goto(page.url())
  await twin.getByLabel('Grind setting').fill('15')
  await bar.save()
  await twin.getByRole('button', { name: 'Save and read' }).click()
  await twin.getByRole('link', { name: '1 record needs you' }).click()
  await expect(
    twin.getByText('This shot was saved before with other numbers, perhaps from another tab.'),
  ).toBeVisible()
  await twin.getByRole('button', { name: 'Send mine as a correction' }).click()
  await expect(twin.getByText('Grind setting: 14 → 15')).toBeVisible()
})

test('a correction changes only what was changed: a note alone is one, and a finer weight stays as it was weighed', async ({
  page,
}) => {
  const bar = new Bar(page)
  await bar.begin('Teo Varga-Lind', 'House double')
  await bar.goTo('Dose')
  await bar.answer('How was it weighed?', 'Scale was tared')
  await page.getByLabel('Net weight').fill('18,25')
  await bar.save()
  const shot = `/api/v1${new URL(page.url()).pathname}`
  const stored = async () => {
    const headers = { 'Calm-Apron-Contract': '2' }
    return (await (await page.request.get(shot, { headers })).json()) as {
      current: { revisionNo: number; note: string; facts: { dose: { netG: number } } }
    }
  }
  await expect(page.getByRole('link', { name: /^Kept here/ })).toBeHidden()
  expect((await stored()).current.facts.dose.netG).toBe(18.25)
  await page.getByRole('link', { name: 'Correct a number' }).click()
  await page.getByText('More: signs, own rating, note, photo').click()
  await page.getByLabel('Note', { exact: true }).fill('a new tin of beans')
  await page.getByLabel('Why is it corrected?').fill('forgot to write it down')
  await expect(page.getByText('The note says something else.')).toBeVisible()
  await page.getByRole('button', { name: 'Save the correction' }).click()
  await expect(page.getByText('a new tin of beans')).toBeVisible()
  await expect.poll(async () => (await stored()).current.revisionNo).toBe(2)
  expect((await stored()).current).toMatchObject({
    note: 'a new tin of beans',
    facts: { dose: { by: 'net', netG: 18.25 } },
  })
})

test('two people correct the same shot: the second is told and shown the newest', async ({
  page,
  context,
  app,
}) => {
  const bar = new Bar(page)
  await bar.begin('Teo Varga-Lind', 'House double')
  await page.getByLabel('Grind setting').fill('14')
  await bar.save()
  await page.getByRole('link', { name: 'Correct a number' }).click()
  await page.getByLabel('Grind setting').fill('13')
  await page.getByLabel('Why is it corrected?').fill('first hand')
  // Another device has drafts of its own; so does another browser context.
  const other = await context.browser()?.newContext()
  const elsewhere = await other?.newPage()
  if (!elsewhere) throw new Error('no second browser')
  await comeInAs(elsewhere.request, app, TRAINER)
  await elsewhere.goto(page.url())
  await elsewhere.getByLabel('Grind setting').fill('12')
  await elsewhere.getByLabel('Why is it corrected?').fill('second hand')
  const stored = elsewhere.waitForResponse((answer) => answer.url().includes('/revisions/') && answer.ok())
  await elsewhere.getByRole('button', { name: 'Save the correction' }).click()
  await stored
  await expect(elsewhere.getByText('Grind setting: 14 → 12')).toBeVisible()
  await page.getByRole('button', { name: 'Save the correction' }).click()
  await page.getByRole('link', { name: '1 record needs you' }).click()
  await expect(page.getByText('This shot was corrected by someone else meanwhile.')).toBeVisible()
  await page.getByRole('link', { name: 'Look at the newest and correct that' }).click()
  await expect(page.getByText('second hand')).toBeVisible()
  await other?.close()
})

test('places and shots that are not there say so and lead on', async ({ page, app }) => {
  await page.goto('/shots/019a5c00-0000-700a-8000-0000000fffff')
  await expect(page.getByText('There is no such shot, here or on the server.')).toBeVisible()
  await page.goto('/bar/019a5c00-0000-700a-8000-0000000fffff')
  await expect(page.getByText('This shot is not on this device.')).toBeVisible()
  await page.goto('/nowhere/at/all')
  await page.getByRole('link', { name: 'Go to Today' }).click()
  await expect(page.getByRole('heading', { name: /^Today/ })).toBeVisible()
  expect((await page.request.get(`${app.url}/assets/missing.js`)).status()).toBe(404)
})
