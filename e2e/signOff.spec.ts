import { Assessing, signByPassword } from './assessing.ts'
import { HEAD, TRAINEE, TRAINER, expect, expectAccessible, test } from './fixtures.ts'
import { comeInAs } from './place.ts'
import { phoneOf } from './phone.ts'

test.use({ signedIn: HEAD })

test('a set at one group while the other practises: sealed, one shot void, cut off in its middle, decided, looked at again, and a fact corrected afterwards', async ({
  page,
  browser,
  context,
  app,
}) => {
  const bar = await Assessing.on(page, app)
  const trainingId = await bar.training(TRAINEE, 'Callum Osei')
  await page.goto(`/trainings/${trainingId}`)
  const set = page.locator('[data-set]')

  await test.step('begun for one of the training, with a reason, since not all is there yet', async () => {
    await page.getByRole('button', { name: 'Begin a set' }).click()
    await page.getByLabel('Whose set?').selectOption({ label: TRAINEE })
    await page.getByLabel('Programme', { exact: true }).selectOption({ label: 'Espresso at the bar' })
    await page.getByRole('radio', { name: 'They taste' }).check()
    await expect(page.getByRole('button', { name: 'Begin the set' })).toBeDisabled()
    await page.getByLabel('Reason').fill('Starts at the quay on Monday')
    await expectAccessible(page)
    await page.getByRole('button', { name: 'Begin the set' }).click()
    await expect(set).toContainText(`This group is ${TRAINEE}’s until the set ends.`)
    await expect(page.getByRole('region', { name: 'Group 2' })).toContainText('Next: Callum Osei')
    await expectAccessible(page)
  })

  const assessmentId = await test.step('it begins when a reference is on', async () => {
    await expect(set.getByRole('button', { name: 'Pull the reference' })).toBeVisible()
    await expect.poll(() => bar.running()).not.toBe('')
    return bar.running()
  })
  const its = { trainingId, assessmentId }
  const phone = await phoneOf(browser, app, TRAINEE)

  await test.step('of its shots nobody is told how they went, on the tablet or on a phone', async () => {
    await bar.shot(its, { purpose: 'reference' })
    await expect(set).toContainText('Shot 1 of 5.')
    await bar.shot(its, { by: TRAINEE })
    await expect(page.getByText('sealed until the set ends')).toHaveCount(1)
    await phone.goto(`/assessments/${assessmentId}`)
    await expect(phone.getByText('Your set is on. Everything opens when it ends.')).toBeVisible()
    await expectAccessible(phone)
  })

  await test.step('a cup bears three digits; another assessor tastes it by them, told nothing else', async () => {
    const cup = /Write (\d{3}) on the cup/.exec((await set.textContent()) ?? '')?.[1] ?? ''
    const taster = await phoneOf(browser, app, TRAINER)
    await taster.goto(`/assessments/${assessmentId}/cups`)
    await taster.getByLabel('Digits on the cup').fill(cup)
    for (const [axis, value] of Object.entries({ Sour: 3, Sweet: 7, Bitter: 3 }))
      await taster.getByRole('slider', { name: axis }).fill(String(value))
    await expectAccessible(taster)
    await taster.getByRole('button', { name: 'Keep my note' }).click()
    await expect(taster.getByText(`Kept: ${cup}.`)).toBeVisible()
    await expect(taster.getByText(TRAINEE)).toHaveCount(0)
    await taster.context().close()
  })

  await test.step('an equipment failure voids a shot, without network too, and another takes its place', async () => {
    await expect(set).toContainText('Shot 2 of 5.')
    await context.setOffline(true)
    await set.getByRole('button', { name: 'Equipment failed in the last shot' }).click()
    await set.getByLabel('What failed?').fill('The pump lost its pressure')
    await set.getByRole('button', { name: 'It does not count' }).click()
    await expect(set).toContainText('Shot 1 of 5.')
    await expect(set).toContainText('One shot is void: equipment.')
    await context.setOffline(false)
    await expect(page.getByRole('link', { name: /^Kept here/ })).toHaveCount(0)
  })

  await test.step('five shots, then a reference that is off, and a second', async () => {
    for (const heavierG of [0, 4.5, 4.5, 0, 4.5]) await bar.shot(its, { by: TRAINEE, heavierG })
    await expect(set).toContainText('Now a trainer’s reference')
    await bar.shot(its, { purpose: 'reference' })
    await expect(set).toContainText('All is pulled.')
    await set.getByRole('button', { name: 'End the set and open it' }).click()
    await expect(page.getByRole('heading', { name: `Espresso at the bar, ${TRAINEE}` })).toBeVisible()
    await expect(page.locator('[data-part="dose"]')).toContainText('shown')
    await expect(page.locator('[data-part="yield"]')).toContainText('not yet')
    await expect(page.locator('[data-part="yield"]')).toContainText('2 of 5 on; mostly over')
    await expect(page.locator('[data-part="taste"]')).toContainText('not tasted by two')
    await expectAccessible(page)
  })

  await test.step('decided and signed; whoever was assessed reads what is open, and asks for another look', async () => {
    await signByPassword(page)
    await expect(page.getByRole('status').filter({ hasText: 'Not yet: yield.' })).toBeVisible()
    await expect(phone.getByText(/^Not yet: yield\. Only that is repeated, from/)).toBeVisible()
    await phone.getByLabel('What should be looked at?').fill('The scale stood on the cloth.')
    await phone.getByRole('button', { name: 'Ask for another look' }).click()
    await expect(phone.getByText(/^Another look was asked for/)).toBeVisible()
    await expectAccessible(phone)
  })

  await test.step('somebody else looks, and is not told what was decided; the head settles it', async () => {
    const other = await browser.newPage()
    await comeInAs(other.request, app, TRAINER)
    await other.goto(`${app.url}/assessments/${assessmentId}`)
    await expect(other.getByText('You are not told what was decided')).toBeVisible()
    await expect(other.getByText(/yield: not yet/)).toHaveCount(0)
    await other.getByRole('radio', { name: 'Otherwise, as below' }).check()
    await other.getByLabel('yield').selectOption({ label: 'shown' })
    await other.getByLabel('Reason').fill('It stood on the cloth, on the photo.')
    await other.getByRole('button', { name: 'Keep what you found' }).click()
    await expect(page.getByRole('heading', { name: 'Settle it' })).toBeVisible()
    await page.getByLabel('yield').selectOption({ label: 'shown' })
    await page.getByLabel('Reason').fill('The cup was weighed wrongly.')
    await signByPassword(page)
    await expect(phone.getByText(/^Signed off\./)).toBeVisible()
    await other.close()
  })

  await test.step('what is corrected afterwards shows, and what was signed stands', async () => {
    await page.locator('[data-part="yield"]').getByRole('link').first().click()
    await page.getByRole('link', { name: 'Correct' }).click()
    await page.getByLabel('Grind setting').fill('15')
    await page.getByLabel('Why is it corrected?').fill('read from the photo')
    await page.getByRole('button', { name: 'Save the correction' }).click()
    await expect(page.locator('#verdict')).toBeVisible()
    await expect(page.getByRole('link', { name: /^Kept here/ })).toHaveCount(0)
    await page.goto(`/assessments/${assessmentId}`)
    await expect(page.getByText('The record has changed since this was decided.')).toBeVisible()
  })
})
