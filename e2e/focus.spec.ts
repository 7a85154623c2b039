import { Bar } from './bar.ts'
import { TRAINEE, expect, expectAccessible } from './fixtures.ts'
import { phoneOf } from './phone.ts'
import { ScaleBar } from './scaleBar.ts'
import { test, touchTablet } from './withScale.ts'

test('a beginner’s first week: three screens and at most eight taps, and nothing else is asked or shown', async ({
  browser,
  app,
  standIns,
  page: signedIn,
}) => {
  const context = await touchTablet(browser, app, signedIn)
  const page = await context.newPage()
  const bar = await ScaleBar.on(page, standIns)
  const hands = await standIns.hands(0)
  await bar.startTraining({ [TRAINEE]: 'Group 1' }, { isFull: false })
  await page.getByRole('radio', { name: 'First week: dose and tamp' }).check()
  let taps = 0
  const tap = async (name: RegExp | string) => {
    await page
      .getByRole('button', { name, exact: typeof name === 'string' })
      .first()
      .tap()
    taps += 1
  }
  await tap(/^Next: /)
  await expect(page.getByRole('heading', { name: 'What does the dose weigh?' })).toBeVisible()
  await expect(page.getByRole('navigation', { name: 'Steps' }).getByRole('listitem')).not.toHaveCount(0)
  for (const step of ['Before you grind', 'Pull', 'Cup', 'Look', 'Taste'])
    await expect(
      page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name: step, exact: true }),
    ).toHaveCount(0)
  await hands.order({ kind: 'tare' }, { kind: 'put', vesselG: 586.4, contentG: 18.4 })
  await tap(/^Keep 18/)
  await expectAccessible(page)
  await tap('Next: Tamp')
  await tap('Level')
  await page
    .getByRole('group', { name: 'Pressed until it stopped giving' })
    .getByRole('radio', { name: 'Yes' })
    .tap()
  taps += 1
  // What comes after is still hot and under pressure, though the day does not look at it.
  await page.getByText('Careful').click()
  await expect(page.getByText(/pressure/).first()).toBeVisible()
  await expectAccessible(page)
  await tap(/^Save/)
  await expect(page.locator('#verdict')).toHaveText('Well prepared')
  await expect(page.locator('li[data-rail]')).toHaveCount(2)
  expect(taps).toBeLessThanOrEqual(8)
  await expectAccessible(page)
  await context.close()
  hands.close()
})

test('help is there at first, then every other time', async ({ page }) => {
  const bar = new Bar(page)
  // How it goes on is a rule of core's, tested there.
  for (const isHelped of [true, true, true, false, true]) {
    await bar.begin('Suvi Okonjo', 'Small thimble')
    await page.getByLabel('Grind setting').fill('14')
    const help = page.getByRole('button', { name: 'The tool’s help' })
    await expect(help).toHaveAttribute('aria-pressed', String(isHelped))
    await bar.save()
  }
})

test('a fault made on purpose is sealed until the call, and told with it; why a shot was pulled is said again afterwards', async ({
  page,
  browser,
  app,
}) => {
  const bar = new ScaleBar(page)
  await bar.startTraining({ [TRAINEE]: 'Group 1' }, { isFull: false })
  await bar.next('Group 1')
  await page.getByText('For: practice').click()
  await page.getByRole('radio', { name: 'a fault made on purpose' }).check()
  await page.getByLabel('Which fault is made?').selectOption({ label: 'dose too low' })
  await expect(page.getByText('Make it coarser, or finer only to a setting')).toBeVisible()
  await page.getByRole('button', { name: 'Seal it until the call' }).click()
  await expect(page.getByText('What this shot is for is said after the call.')).toBeVisible()
  const says = async (where = page) => (await where.locator('body').innerText()).includes('dose too low')
  expect(await says()).toBe(false)
  await new Bar(page).weigh('Dose', 'Portafilter 1', '603.4')
  await new Bar(page).typeTimes('5', '19')
  await bar.save()
  await expect(page.getByRole('heading', { name: `${TRAINEE}: the last word` })).toBeVisible()

  const phone = await phoneOf(browser, app, TRAINEE)
  await phone.goto('/')
  await phone.getByRole('region', { name: 'A call is asked for' }).getByRole('link').click()
  // Nobody has tasted it: what is asked is how it ran.
  await expect(phone.getByRole('radio', { name: 'Gushed' })).toBeVisible()
  await expect(phone.getByRole('radio', { name: 'Under-extracted' })).toHaveCount(0)
  expect(await says(phone)).toBe(false)
  const own = new ScaleBar(phone)
  await own.say('Fast', 'Hold it')
  await phone.getByLabel('Why?').selectOption({ label: 'the dose was low' })
  await phone.getByRole('button', { name: 'Keep it and open the reading' }).click()
  await expect(phone.locator('#verdict')).toBeVisible()
  await expect(phone.getByText('a fault made on purpose, and does not count')).toContainText('dose too low')
  await expect(phone.getByRole('button', { name: 'It was for something else' })).toHaveCount(0)
  await phone.context().close()

  await page.getByRole('button', { name: 'It was for something else' }).click()
  await page.getByRole('radio', { name: 'something broke' }).check()
  await page.getByRole('button', { name: 'Keep it', exact: true }).click()
  await expect(page.getByText(/at least 3/)).toBeVisible()
  await page.getByLabel('Why is it called otherwise?').fill('the pump gave out halfway')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Keep it', exact: true }).click()
  await expect(page.getByText('It was pulled for something broke')).toBeVisible()
  await expect(page.getByText(/It was called a fault made on purpose before/)).toContainText(
    'the pump gave out halfway',
  )
  await page.getByRole('link', { name: `${TRAINEE}’s shots` }).click()
  await expect(page.getByText('something broke').first()).toBeVisible()
})
