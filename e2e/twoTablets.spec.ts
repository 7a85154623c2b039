import { TRAINEE, TRAINER, comeInAs, expect, expectAccessible, test } from './fixtures.ts'
import { phoneOf } from './phone.ts'
import { ScaleBar, storedShots } from './scaleBar.ts'

test('two tablets on one training: what one does the other sees at once, unasked', async ({
  page,
  browser,
  app,
}) => {
  const bar = new ScaleBar(page)
  await bar.startTraining({ 'Mirren Kestle': 'Group 1', 'Teo Varga-Lind': 'Group 2' })
  const other = await browser.newContext({ baseURL: app.url, serviceWorkers: 'block' })
  const second = await other.newPage()
  await comeInAs(second.request, app, TRAINER)
  await second.goto(page.url())
  await expect(second.locator('[data-line="in-step"]')).toBeVisible()
  await bar.next('Group 1')
  const stage = second.getByRole('region', { name: 'Group 1' }).locator('[data-stage]')
  await expect(stage).toHaveText('Mirren Kestle: Before you grind')
  await bar.step('Tamp')
  await expect(stage).toHaveText('Mirren Kestle: Tamp')
  await bar.step('Pull')
  await bar.start()
  await expect(stage).toHaveText(/Mirren Kestle is pulling: \d+ s/)
  await second.getByRole('button', { name: 'Break', exact: true }).click()
  await bar.page.getByRole('link', { name: 'Back to the training' }).click()
  await expect(page.getByText(/On a break since/)).toBeVisible()
  await second.getByRole('button', { name: 'Go on after the break' }).click()
  await expect(page.getByText(/On a break since/)).toBeHidden()
  await other.close()
})

test('a shot that was recorded, and a recipe that was changed, on one tablet are on the other, unasked', async ({
  page,
  browser,
  app,
}) => {
  const bar = new ScaleBar(page)
  const trainingId = await bar.startTraining({ 'Mirren Kestle': 'Group 1' })
  const other = await browser.newContext({ baseURL: app.url, serviceWorkers: 'block' })
  const second = await other.newPage()
  await comeInAs(second.request, app, TRAINER)
  await second.goto(page.url())
  await expect(second.locator('[data-line="in-step"]')).toBeVisible()
  await expect(second.getByRole('heading', { name: 'No shots yet' })).toBeVisible()
  await bar.next('Group 1')
  await page
    .getByRole('group', { name: /^Basket dry/ })
    .getByRole('radio', { name: 'Yes' })
    .check()
  await bar.save()
  await expect(second.getByRole('heading', { name: '1 shot so far' })).toBeVisible()
  expect(await storedShots(page, trainingId)).toHaveLength(1)

  const third = await other.newPage()
  await third.goto('/')
  await expect(third.getByRole('radio', { name: 'House double' })).toBeVisible()
  const recipes = (await (await page.request.get('/api/v1/prepared?kind=recipe')).json()) as {
    things: { preparedId: string; revisionNo: number; content: { name: string } }[]
  }
  const house = recipes.things.find(({ content }) => content.name === 'House double')
  const answer = await page.request.put(
    `/api/v1/prepared/${house?.preparedId}/revisions/019a5c00-0000-7030-8000-000000000001`,
    {
      headers: { Origin: app.url },
      data: {
        basedOnNo: house?.revisionNo,
        thing: { kind: 'recipe', parentId: null, content: { ...house?.content, name: 'Quay double' } },
      },
    },
  )
  expect(answer.ok()).toBe(true)
  await expect(third.getByRole('radio', { name: 'Quay double' })).toBeVisible()
  await other.close()
})

test('the trainee on their own phone: their call and slip alone, the reading once both have spoken', async ({
  page,
  browser,
  app,
}) => {
  const bar = new ScaleBar(page)
  const trainingId = await bar.startTraining({ 'Mirren Kestle': 'Group 1' })
  await bar.next('Group 1')
  await bar.step('Pull')
  await page.getByLabel('First drop at').fill('7')
  await page.getByLabel('Stopped at').fill('28')
  await bar.step('Cup')
  await page.getByRole('radio', { name: 'Scale was tared' }).check()
  await page.getByLabel('Net weight').fill('39')
  await bar.save()
  await expect(page.getByRole('heading', { name: 'Mirren Kestle: by eye alone' })).toBeVisible()

  const phone = await phoneOf(browser, app, TRAINEE)
  await phone.goto('/')
  await phone.getByRole('region', { name: 'A call is asked for' }).getByRole('link').click()
  await expect(phone.getByRole('heading', { name: 'Mirren Kestle: by eye alone' })).toBeVisible()
  await expectAccessible(phone)
  const own = new ScaleBar(phone)
  await own.say('Fast', 'Finer')
  await phone.getByRole('button', { name: 'Keep the call' }).click()
  await expect(phone.getByRole('heading', { name: 'Mirren Kestle’s tasting note' })).toBeVisible()
  await expectAccessible(phone)
  await own.slip(6, 4, 2)
  await expect(phone.getByRole('heading', { name: 'Kept. The other note is still out.' })).toBeVisible()
  const [stored] = await storedShots(page, trainingId)
  const shotId = stored?.shotId ?? ''
  await phone.goto(`/shots/${shotId}`)
  await expect(phone.getByText('The reading opens once the call is made.')).toBeVisible()
  await phone.getByRole('link', { name: 'Make the call' }).click()

  // The trainer sees that the slip is in, and nothing of it.
  await expect(page.getByRole('heading', { name: 'Both taste' })).toBeVisible()
  await expect(page.getByText('kept', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Fill mine' }).click()
  await bar.slip(7, 4, 2)
  await expect(phone.getByRole('heading', { name: 'Mirren Kestle: the last word' })).toBeVisible()
  await own.say('Under-extracted', 'Finer')
  await phone.getByRole('button', { name: 'Keep it and open the reading' }).click()
  await expect(phone.locator('#verdict')).toBeVisible()
  await expect(phone.getByText('Said before the reading')).toBeVisible()
  await expectAccessible(phone)

  await expect(page.locator('#verdict')).toBeVisible()
  await page.getByRole('button', { name: 'I read it otherwise' }).click()
  await page.getByRole('radio', { name: 'Uneven' }).check()
  await page.getByRole('button', { name: 'Set mine beside it' }).click()
  await expect(page.getByText(/at least 3/)).toBeVisible()
  await page.getByLabel('Why?').last().fill('the stream split halfway')
  await page.getByRole('button', { name: 'Set mine beside it' }).click()
  await expect(page.getByText('the stream split halfway')).toBeVisible()
  await phone.context().close()
})

test('in a training a trainee dials in where it is opened to them, leads nothing, and finds it among the earlier ones', async ({
  page,
  browser,
  app,
}) => {
  const bar = new ScaleBar(page)
  await bar.startTraining({ 'Mirren Kestle': 'Group 1', 'Teo Varga-Lind': 'Group 2' })
  const phone = await phoneOf(browser, app, TRAINEE)
  await phone.goto(page.url())
  // Who sits beside them has a name.
  await expect(phone.getByText('Next: Teo Varga-Lind')).toBeVisible()
  await expect(phone.locator('[data-line="in-step"]')).toBeVisible()
  await expect(phone.getByRole('button', { name: 'Next: Mirren Kestle' })).toBeVisible()
  for (const name of ['Break', 'End the training', 'Teo Varga-Lind to the bar now'])
    await expect(phone.getByRole('button', { name, exact: true })).toHaveCount(0)
  await phone.goto(`${page.url()}/dial-in`)
  await expect(phone.getByText('Dialling in is open to you once')).toBeVisible()
  await page.getByRole('link', { name: 'Change who or with what' }).click()
  await page.getByRole('radio', { name: 'Each trainee sets it' }).check()
  await page.getByRole('button', { name: 'Keep the change' }).click()
  await phone.getByRole('link', { name: 'Back to the training' }).click()
  await expectAccessible(phone)
  await phone.getByRole('link', { name: 'Dial in' }).click()
  await expect(phone.locator('#next-shot')).toHaveText(/^Start at \d+/)

  await page.getByRole('button', { name: 'End the training' }).click()
  await page.getByRole('button', { name: 'End the training' }).click()
  await expect(page.getByText(/^Ended at .* by Odalys Brandt/)).toBeVisible()
  await page.getByRole('button', { name: 'Open it again' }).click()
  await expect(page.getByRole('button', { name: 'Break', exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'End the training' }).click()
  await page.getByRole('button', { name: 'End the training' }).click()
  await phone.goto('/')
  await phone.goto('/trainings')
  await expect(phone.getByText('Mirren Kestle, Teo Varga-Lind')).toBeVisible()
  await expectAccessible(phone)
  await phone.getByRole('link', { name: /^Training / }).click()
  await expect(phone.getByText(/^Ended at .* by Odalys Brandt/)).toBeVisible()
  // What it came to: who pulled how many, the grind, how the bench was left.
  await expect(phone.getByRole('heading', { name: 'What it came to' })).toBeVisible()
  await expect(phone.getByText('No setting was locked.')).toBeVisible()
  await expect(phone.getByText('Bench and wand wiped, floor dry: no')).toBeVisible()
  await expectAccessible(phone)
  await phone.context().close()
})
