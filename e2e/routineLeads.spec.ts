import { Bar, untilClock } from './bar.ts'
import { expect, expectAccessible, test } from './fixtures.ts'

test('a routine leads: its stages in its order, a step of one’s own ticked, an order that is kept, a flush that is timed', async ({
  page,
}) => {
  const bar = new Bar(page)
  const steps = page.getByRole('navigation', { name: 'Steps' })
  await page.goto('/prepare/routines')
  await page.getByRole('button', { name: 'New routine' }).click()
  await page.getByRole('button', { name: /^Taste-led/ }).click()
  await expect(page.getByRole('heading', { name: 'Taste-led' })).toBeVisible()
  await page.getByRole('button', { name: 'Change' }).click()
  await page
    .getByRole('group', { name: 'One step after the other' })
    .getByRole('radio', { name: 'Yes' })
    .check()
  await page.getByLabel('Add', { exact: true }).selectOption({ label: 'A step of your own' })
  await page.getByRole('button', { name: 'Add this step' }).click()
  await page.getByLabel('What', { exact: true }).fill('Ring the bell')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('One step after the other.')).toBeVisible()

  await page.goto('/')
  await page.getByRole('group', { name: 'Which routine?' }).getByRole('radio', { name: 'Taste-led' }).check()
  await page.getByRole('radio', { name: 'Teo Varga-Lind' }).check()
  await page.getByRole('radio', { name: 'House double' }).check()
  await page.getByRole('button', { name: 'Teo Varga-Lind to the bar' }).click()
  // This house tastes before it looks.
  await expect(steps.locator('.name')).toHaveText([
    'Before you grind',
    'Dose',
    'Tamp',
    'Pull',
    'Cup',
    'Taste',
    'Look',
  ])
  await expect(steps.getByRole('button', { name: 'Dose' })).toBeDisabled()
  await expect(
    page.getByText('First: Let machine and portafilter warm up. In this routine each step waits'),
  ).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'It was left out' }).click()
  await page.getByRole('button', { name: 'Watched: all done' }).click()
  await bar.goTo('Dose')
  await page.getByRole('button', { name: 'Watched: all done' }).click()
  await bar.goTo('Tamp')
  await expect(steps.getByRole('button', { name: /^Flush the group: not watched/ })).toBeDisabled()
  for (const step of ['Tamp once', 'Wipe the rim'])
    await steps.getByRole('button', { name: new RegExp(`^${step}.*: not watched`) }).click()
  await steps.getByRole('button', { name: 'Flush for 2 s' }).click()
  await expect(steps.getByRole('button', { name: /^Flush the group: done/ })).toBeVisible()
  // The clock follows the machine, whatever was ticked.
  await page.keyboard.press('Space')
  await expect(page.getByRole('button', { name: 'First drop' })).toBeVisible()
  await untilClock(page, 0.5)
  await page.getByRole('button', { name: 'First drop' }).click()
  await untilClock(page, 0.5, 'drop')
  await page.getByRole('button', { name: 'Pump off' }).click()
  // What was left open before it is caught up with, in its order.
  for (const step of [
    'Lock the portafilter in',
    'Cup and scale',
    'Start the pump',
    'Watch first drop',
    'Stop a little',
  ]) {
    await expect(page.getByText(`First: ${step}`)).toBeVisible()
    await page.getByRole('button', { name: 'It is done' }).click()
  }
  await bar.goTo('Taste')
  await page.getByRole('button', { name: 'Watched: all done' }).click()
  await bar.goTo('Look')
  await expect(steps.getByRole('button', { name: /^Ring the bell: not watched/ })).toBeVisible()
  await page.getByRole('button', { name: 'Watched: all done' }).click()
  await expect(steps.getByRole('button', { name: /^Ring the bell: done/ })).toBeVisible()
  await bar.save()
  await page.getByText('What was recorded').click()
  const recorded = page.getByRole('definition')
  await expect(recorded.filter({ hasText: 'Ring the bell: done' })).toBeVisible()
  await expect(recorded.filter({ hasText: 'Let machine and portafilter warm up' })).toBeVisible()
})

test('two in two modes: a seat with a recipe and a routine of its own, and single or double changed in a tap', async ({
  page,
}) => {
  await page.goto('/trainings/new')
  const at = (person: string, group: string) =>
    page.getByRole('group', { name: person }).first().getByRole('radio', { name: group }).check()
  for (const person of ['Ida Renfrew', 'Jonas Abelard', 'Mirren Kestle', 'Suvi Okonjo'])
    if ((await page.getByRole('group', { name: person }).count()) > 0) await at(person, 'Not here')
  await at('Mirren Kestle', 'Group 1')
  await at('Teo Varga-Lind', 'Group 2')
  await page.getByRole('radio', { name: /^House double/ }).check()
  await page.getByText('Each their own: another recipe, grinder or routine').click()
  await page.getByRole('checkbox', { name: 'Small thimble' }).check()
  const teo = page.getByRole('group', { name: 'Teo Varga-Lind' }).last()
  await teo.getByLabel('By which recipe?').selectOption({ label: 'Breakwater short' })
  await teo.getByLabel('Routine').selectOption({ label: 'Sail loft, to the line' })
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Start', exact: true }).click()

  const one = page.getByRole('region', { name: /Group 1/ })
  const two = page.getByRole('region', { name: /Group 2/ })
  await expect(two.getByRole('radio', { name: 'Breakwater short' })).toBeChecked()
  await expect(one.getByRole('radio', { name: 'House double' })).toBeChecked()
  await one.getByRole('radio', { name: 'Small thimble' }).check()
  await one.getByRole('button', { name: 'Next: Mirren Kestle' }).click()
  await expect(page.getByText(/^Small thimble, /).first()).toBeVisible()
  await page.goBack()
  await two.getByRole('button', { name: 'Next: Teo Varga-Lind' }).click()
  await expect(page.getByText(/^Breakwater short, /).first()).toBeVisible()
  await expect(page.getByText('Wash your hands')).toHaveCount(0)
  await page.getByRole('button', { name: 'All steps' }).click()
  await expect(page.getByText('Wash your hands')).toBeVisible()
})
