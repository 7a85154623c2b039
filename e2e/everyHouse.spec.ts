import type { Page } from '@playwright/test'
import { Bar, untilClock } from './bar.ts'
import { expect, expectAccessible, test } from './fixtures.ts'

/** A room whose scale says nothing to anybody. */
async function chooseLoft(page: Page): Promise<void> {
  await page.goto('/')
  await page.getByRole('group', { name: 'Which room?' }).getByRole('radio', { name: 'Sail loft' }).check()
  await page
    .getByRole('group', { name: 'At which group?' })
    .getByRole('radio', { name: 'Little one, Group' })
    .check()
}

/** From the start's page until it flows. */
async function flowing(bar: Bar): Promise<void> {
  const { page } = bar
  await page.getByRole('radio', { name: 'Teo Varga-Lind' }).check()
  await page.getByRole('radio', { name: 'House double' }).check()
  await page.getByRole('button', { name: 'Teo Varga-Lind to the bar' }).click()
  await bar.goTo('Pull')
  await page.getByRole('button', { name: 'Pump on' }).click()
  await untilClock(page, 0.5)
  await page.getByRole('button', { name: 'First drop' }).click()
  await untilClock(page, 0.5, 'drop')
}

test('what a shot by itself is pulled with is asked once, remembered, and kept; a setting is typed as its grinder prints it', async ({
  page,
}) => {
  const bar = new Bar(page)
  await page.goto('/')
  const withWhat = (question: string, answer: string) =>
    page.getByRole('group', { name: question }).getByRole('radio', { name: answer }).check()
  await withWhat('Which room?', 'Sail loft')
  await withWhat('At which group?', 'Spring lever, Group')
  await withWhat('Which grinder?', 'Loft single-doser')
  await expectAccessible(page)
  await page.getByRole('radio', { name: 'Teo Varga-Lind' }).check()
  await page.getByRole('radio', { name: 'House double' }).check()
  await page.getByRole('button', { name: 'Teo Varga-Lind to the bar' }).click()
  await expect(page.getByText('0A to 12A on the Loft single-doser; lower is finer')).toBeVisible()
  await page.getByLabel('Grind setting').fill('9x')
  await expect(
    page.getByText('This grinder has no such setting. Write it as it shows it, like 6C.'),
  ).toBeVisible()
  await page.getByLabel('Grind setting').fill('9c')
  await bar.typeTimes('4', '15')
  await bar.save()
  await page.getByText('What was recorded').click()
  await expect(page.getByText('9C', { exact: true })).toBeVisible()
  // The next one is mostly with the same: in a line, to be unfolded.
  await page.goto('/')
  await expect(page.getByText(/^With: Sail loft · Spring lever, Group · Loft single-doser/)).toBeVisible()
  await expect(page.getByRole('group', { name: 'Which room?' })).toBeHidden()
})

test('a scale that says nothing: the number to stop at is told, what it showed is typed, and the drips are learned', async ({
  page,
}) => {
  const bar = new Bar(page)
  await chooseLoft(page)
  await flowing(bar)
  await expect(page.getByText('Stop at 37.5 g on the scale: about 1.5 g still drips.')).toBeVisible()
  await page.getByRole('button', { name: 'Pump off' }).click()
  await page.getByLabel('In the cup at the stop').fill('35,5')
  await bar.goTo('Cup')
  await page.getByRole('radio', { name: 'Scale was tared' }).check()
  await page.getByLabel('Net weight').fill('38.5')
  await bar.goTo('Pull')
  await expect(page.getByText('35.5 g at the stop')).toBeVisible()
  await bar.save()
  await page.getByText('What was recorded').click()
  await expect(page.getByText('In the cup at the stop', { exact: true })).toBeVisible()
  await page.goto('/')
  await expect(page.getByText(/^With: /)).toBeVisible()
  await flowing(bar)
  await expect(page.getByText(/^Stop at 36\.[78] g on the scale/)).toBeVisible()
})

test('a house that goes by volume is spoken to in ml throughout', async ({ page }) => {
  const bar = new Bar(page)
  await page.goto('/')
  const recipe = page.getByRole('radio', { name: /^Old quay cup/ })
  await expect(page.getByText(/15\.0 g in, 50 ml out/)).toBeVisible()
  await page.getByRole('radio', { name: 'Teo Varga-Lind' }).check()
  await recipe.check()
  await page.getByRole('button', { name: 'Teo Varga-Lind to the bar' }).click()
  await bar.typeTimes('6', '31')
  await bar.goTo('Cup')
  await expect(page.getByRole('heading', { name: 'How much is in the cup?' })).toBeVisible()
  await page.getByLabel('Volume in the cup, crema too').fill('58')
  await expect(page.getByText('8 ml too much.')).toBeVisible()
  await expect(page.getByText('Weigh it too')).toBeVisible()
  await bar.save()
  await expect(page.getByText('8 ml too much', { exact: true })).toBeVisible()
})

test('a house without a scale: the line in the basket, the line on the glass, a stopwatch from the first drop', async ({
  page,
}) => {
  const bar = new Bar(page)
  await page.goto('/prepare/recipes/new')
  await page.getByRole('button', { name: 'Line in the basket' }).click()
  await page.getByLabel('Name').fill('Glass and basket')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Make this recipe' }).click()
  await expect(page.getByText('line in the basket')).toBeVisible()

  await bar.begin('Teo Varga-Lind', 'Glass and basket')
  await bar.goTo('Dose')
  await expect(page.getByRole('heading', { name: 'Where does the dose stand?' })).toBeVisible()
  await bar.answer('Where does it stand?', 'under the line')
  await expect(page.getByText('Add a little, up to the line.')).toBeVisible()
  await expectAccessible(page)
  await bar.goTo('Tamp')
  await expect(
    page.getByText('The dose is low, and it is tamped. The rule here: discard and start again.'),
  ).toBeVisible()
  await bar.goTo('Pull')
  await page.getByLabel('First drop at').fill('0')
  await page.getByLabel('Stopped at').fill('24')
  await bar.goTo('Cup')
  await bar.answer('Where does it stand to the line?', 'at it')
  await bar.save()
  await expect(bar.rail('Dose')).toContainText('under the line')
  await expect(bar.rail('Dose')).toContainText('target: at the line')
  await expect(bar.rail('Yield')).toContainText('at the line')
  await expect(bar.rail('Time')).toContainText('in the window, by the line on the glass')
  await expect(page.getByText('Next dose: Add a little, up to the line. Same grind.')).toBeVisible()
  for (const grams of await page.locator('li[data-rail="dose"]').allTextContents())
    expect(grams).not.toMatch(/\d g/)
})

test('a scale that says nothing, while it runs: what it shows is typed, and told when the stop is due', async ({
  page,
}) => {
  const bar = new Bar(page)
  await chooseLoft(page)
  await flowing(bar)
  await page.getByLabel('On the scale now').fill('3605')
  await expect(page.getByText('That is over 400.0 g; check it, or the tare.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Note it' })).toBeDisabled()
  await page.getByLabel('On the scale now').fill('3,5')
  await page.getByRole('button', { name: 'Note it' }).click()
  await expect(
    page.getByText(/^3\.5 g at \d+\.\d s\. At this flow 37\.5 g at \d+\.\d s: stop then\.$/),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Pump off' }).click()
  await bar.save()
  await page.getByText('What was recorded').click()
  await expect(page.getByText('Weights read while it ran')).toBeVisible()
})

test('with nothing but a stopwatch from the first drop, the clock begins there, and says what it took for granted', async ({
  page,
}) => {
  const bar = new Bar(page)
  await bar.begin('Teo Varga-Lind', 'Harbour double')
  await bar.goTo('Tamp')
  await page.getByRole('button', { name: 'Locked in, cup under' }).click()
  await expect(page.getByText(/^\d+ s since locking in; start within 10 s\.$/)).toBeVisible()
  await page.getByRole('button', { name: 'It is filling: wait' }).click()
  await expect(page.getByText('It fills itself: wait until it is done, then start.')).toBeVisible()
  await page.getByRole('button', { name: 'It drips: start here' }).click()
  await untilClock(page, 0.5, 'drop')
  await expect(page.locator('[data-clock="pump"]')).not.toHaveText(/^0\./)
  await expect(
    page.getByText(/or the clock began at the first drop\. They are marked as estimated/),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Pump off' }).click()
  await bar.save()
  await expect(page.getByText(/^first drop/)).toHaveCount(0)
  await page.getByText('What was recorded').click()
  await expect(page.getByRole('term').filter({ hasText: /estimated/i })).toBeVisible()
  await expect(page.getByText('Waited while the machine filled itself')).toBeVisible()
})
