import { expect, expectAccessible } from './fixtures.ts'
import { STOPS_AT_G, storedShots } from './scaleBar.ts'
import { test } from './withScale.ts'

test('a dial-in from scratch: each advised setting is pulled until it is done, and locked for the session', async ({
  page,
  bar,
  standIns,
}) => {
  const trainingId = await bar.startTraining({ 'Mirren Kestle': 'Group 1' })
  await page.getByRole('link', { name: 'Dial in' }).click()
  const hands = await standIns.hands(0)
  const advice = page.locator('#next-shot')
  await expect(advice).toHaveText(/^Start at \d+/)
  await expectAccessible(page)
  let shots = 0
  while (!/^Found|^Time is right/.test((await advice.textContent()) ?? '') && shots < 8) {
    const setting = await bar.advisedSetting()
    await page.getByText('Guess the time first').click()
    await page.getByLabel('Your guess').fill('29')
    await page.getByRole('button', { name: `Pull at ${setting}` }).click()
    await expect(page.getByLabel('Grind setting')).toHaveValue(String(setting))
    await bar.step('Dose')
    await page
      .getByRole('group', { name: /Purged/ })
      .getByRole('radio', { name: 'Yes' })
      .check()
    await bar.pull(hands, { setting, stopAtG: STOPS_AT_G })
    await expect(page.locator('#verdict')).toBeVisible()
    await expect(page.getByText(/^guessed 29.0 s, missed by/)).toBeVisible()
    await expect(page.getByText(/^the tool expected .* missed by/)).toBeVisible()
    await page.getByRole('link', { name: 'Go on dialling in' }).click()
    shots += 1
    await expect(page.getByText(`from ${shots} shot`)).toBeVisible()
  }
  expect(shots).toBeGreaterThan(1)
  await expect(advice).toHaveText(/^Time is right/)
  // Time alone is not done: somebody to be trusted tastes it.
  await page.getByRole('link', { name: 'Note its taste' }).click()
  for (const [axis, value] of Object.entries({ Sour: '4', Sweet: '7', Bitter: '4' }))
    await page.getByLabel(axis, { exact: true }).fill(value)
  await page.getByLabel('Why is it corrected?').fill('tasted together')
  await page.getByRole('button', { name: 'Save the correction' }).click()
  await page.getByRole('link', { name: 'Go on dialling in' }).click()
  await expect(advice).toHaveText(/^Found/)
  await expect(page.getByText(/^From the same start the adviser would have needed about/)).toBeVisible()
  await page.getByRole('button', { name: /^Lock \d+ for this session/ }).click()
  await expect(page.getByText(new RegExp(`Grind locked at \\d+`))).toBeVisible()
  await expect(page.getByText(new RegExp(`after ${shots} shots and [\\d.]+ g`))).toBeVisible()
  await bar.next('Group 1')
  await expect(page.getByLabel('Grind setting')).not.toHaveValue('')

  await bar.toTraining()
  await page.getByRole('button', { name: 'Break', exact: true }).click()
  await page.getByRole('button', { name: 'Go on after the break' }).click()
  await expect(page.getByText('Pull one to check: there was a break.')).toBeVisible()
  await page.getByRole('button', { name: 'It still holds' }).click()
  await expect(page.getByText('Pull one to check')).toBeHidden()
  expect(await storedShots(page, trainingId)).toHaveLength(shots)
  hands.close()
})

test('a training morning: four trainees at two groups, two shots at a time on one tablet, ended with the bench ready', async ({
  page,
  bar,
  standIns,
}) => {
  const seats = {
    'Mirren Kestle': 'Group 1',
    'Nadia Fjordal': 'Group 1',
    'Teo Varga-Lind': 'Group 2',
    'Jonas Abelard': 'Group 2',
  }
  const trainingId = await bar.startTraining(seats)
  const [one, two] = [await standIns.hands(0), await standIns.hands(1)]
  for (const [first, second] of [
    ['Mirren Kestle', 'Jonas Abelard'],
    ['Nadia Fjordal', 'Teo Varga-Lind'],
  ] as const) {
    await expect(page.getByRole('button', { name: `Next: ${first}` })).toBeVisible()
    await bar.next('Group 1')
    await bar.prepare(one, { doseG: 18.4 })
    await bar.toTraining()
    await bar.next('Group 2')
    await bar.prepare(two, { doseG: 18.2 })
    await bar.start()
    // The other one begins while this one runs, and both are recorded.
    await bar.turnTo(first)
    await bar.start()
    await bar.turnTo(second)
    await bar.stopOnCue()
    await bar.turnTo(first)
    await page.keyboard.press('Space')
    await bar.settled()
    await bar.save()
    await bar.callAndTaste(first)
    await bar.toTraining()
    await page
      .getByRole('region', { name: 'Group 2' })
      .getByRole('button', { name: 'Go on with the shot' })
      .click()
    await bar.save()
    await bar.skipCall()
    await bar.toTraining()
  }
  await page.getByRole('button', { name: 'End the training' }).click()
  await page.getByLabel('Group and portafilter rinsed').check()
  await page.getByLabel('Bench and wand wiped, floor dry').check()
  await page.getByLabel('Portafilter back in the group').check()
  await expectAccessible(page)
  await page
    .getByRole('region', { name: /bench ready/ })
    .getByRole('button', { name: 'End the training' })
    .click()
  await expect(page.getByText(/Ended at .* by Odalys Brandt. Rinsed, wiped, handle back./)).toBeVisible()
  const shots = await storedShots(page, trainingId)
  expect(shots).toHaveLength(4)
  expect(new Set(shots.map(({ personId }) => personId)).size).toBe(4)
  for (const { series, current } of shots) {
    expect(series?.weight?.split(' ').length).toBeGreaterThan(150)
    expect(current.facts.clock?.estimated).toBe(false)
  }
  expect(shots.filter(({ tasted }) => tasted.trainee !== null && tasted.trainer !== null)).toHaveLength(2)
  one.close()
  two.close()
})
