import { Bar } from './bar.ts'
import { expect, expectAccessible } from './fixtures.ts'
import { ScaleBar } from './scaleBar.ts'
import { test, touchTablet } from './withScale.ts'

test('from locked in to a stored reading by touch alone takes at most 12 taps, and nothing is typed', async ({
  browser,
  app,
  standIns,
  page: signedIn,
}) => {
  const context = await touchTablet(browser, app, signedIn)
  const page = await context.newPage()
  const bar = await ScaleBar.on(page, standIns)
  const hands = await standIns.hands(0)
  await page.goto('/')
  await page.getByRole('radio', { name: 'Mirren Kestle' }).check()
  await page.getByRole('radio', { name: 'House double' }).check()
  await page.getByRole('button', { name: 'Mirren Kestle to the bar' }).tap()
  await expect(page.getByRole('heading', { name: 'Is all ready?' })).toBeVisible()
  await bar.prepare(hands)
  let taps = 1 // "Locked in" was the first of them.
  const tap = async (name: RegExp | string) => {
    await page.getByRole('button', { name }).first().tap()
    taps += 1
  }
  await tap(/^Pump on/)
  await expect(page.getByRole('button', { name: /^Pump off now/ })).toBeVisible()
  await tap('Like honey')
  await tap(/^Pump off now/)
  await bar.settled()
  await tap('Next: Cup')
  await tap('Next: Look')
  await page.getByRole('radio', { name: 'Even, whole' }).tap()
  taps += 1
  await tap('Save and read')
  await expect(page.locator('#verdict')).toBeVisible()
  // A scale breathes by a tenth: within its tolerance, not at its target to the tenth.
  await expect(page.locator('li[data-rail="dose"] .says.on')).toBeVisible()
  expect(taps).toBeLessThanOrEqual(12)
  await context.close()
  hands.close()
})

test('a whole pull by the keyboard alone', async ({ page, bar, standIns }) => {
  const hands = await standIns.hands(0)
  await page.goto('/')
  await page.getByRole('radio', { name: 'Mirren Kestle' }).focus()
  await page.keyboard.press('Space')
  await page.getByRole('radio', { name: 'House double' }).focus()
  await page.keyboard.press('Space')
  await page.getByRole('button', { name: 'Mirren Kestle to the bar' }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Is all ready?' })).toBeVisible()
  const isHot = page
    .getByRole('group', { name: 'Machine and portafilter hot' })
    .getByRole('radio', { name: 'Yes' })
  await isHot.focus()
  await page.keyboard.press('Space')
  await expect(isHot).toBeChecked()
  await expect(page.getByRole('button', { name: /^Pump on/ })).toBeVisible()
  await hands.order({ kind: 'put', vesselG: 586.4, contentG: 18.4 })
  await page.keyboard.press('2')
  const take = page.getByRole('button', { name: /^Keep 18/ })
  await expect(take).toBeEnabled()
  await take.focus()
  await page.keyboard.press('Enter')
  await page.keyboard.press('3')
  await page.getByRole('button', { name: 'Level', exact: true }).focus()
  await page.keyboard.press('Enter')
  await hands.order({ kind: 'put', vesselG: 118.6, contentG: 0 })
  await page.getByRole('button', { name: 'Locked in, cup under' }).focus()
  await page.keyboard.press('Enter')
  await page.keyboard.press('Space')
  await bar.stopOnCue()
  await page.keyboard.press('u')
  await expect(page.getByRole('button', { name: /^Pump off/ })).toBeVisible()
  await page.keyboard.press('Space')
  await bar.settled()
  await page.getByRole('button', { name: 'Save and read' }).focus()
  await page.keyboard.press('Enter')
  await expect(page.locator('#verdict')).toBeVisible()
  await page.keyboard.press('g')
  await page.keyboard.press('t')
  await expect(page.getByRole('heading', { name: /^Today/ })).toBeFocused()
  hands.close()
})

test.describe('at the pace of life', () => {
  test.use({ pace: 1 })
  test('one shot: the gauge starts the clock, the scale marks the first drop and fills in the cup', async ({
    page,
    bar,
    standIns,
  }) => {
    const hands = await standIns.hands(0)
    await new Bar(page).begin('Mirren Kestle', 'House double')
    await bar.prepare(hands)
    // The machine's own button, not the tablet's.
    await hands.order({ kind: 'pump', isOn: true })
    await expect(page.getByRole('button', { name: /^First drop/ })).toBeVisible()
    await expect(page.getByRole('button', { name: /^Pump off/ })).toBeVisible()
    // Confirms the drop that was just seen, and never stops the shot.
    await page.keyboard.press('Space')
    await expect(page.getByRole('button', { name: /^Pump off/ })).toBeVisible()
    await expect(page.getByText(/^At this flow, stop at \d+ s/)).toBeVisible()
    await expectAccessible(page)
    await bar.stopOnCue()
    // However late the key came: the cup can't hold less than what the cue waited for.
    expect(Number(await page.locator('[data-weight]').textContent())).toBeGreaterThan(37)
    await bar.save()
    await expect(page.locator('li[data-rail]', { hasText: 'Time' })).toContainText('in the window')
    await expect(page.getByText(/in the cup at the stop/)).toBeVisible()
    hands.close()
  })

  test('bad devices: each has its word, what came is kept, and the shot goes on by hand', async ({
    page,
    bar,
    standIns,
  }) => {
    const hands = await standIns.hands(0)
    await new Bar(page).begin('Mirren Kestle', 'House double')
    const fault = (name: string, isOn = true) => hands.order({ kind: 'fault', fault: name, isOn })
    /** Nothing moves from under a finger, whatever is said meanwhile. */
    const questionAt = async () => (await page.locator('#question').boundingBox())?.y
    await expect(page.getByText('Simulated bench is here')).toBeVisible()
    await page.setViewportSize({ width: 1024, height: 768 })
    const atFirst = await questionAt()
    expect(atFirst).toBeGreaterThan(0)
    await fault('wrong-unit')
    await expect(page.getByText('The scale shows another unit; it is converted.')).toBeVisible()
    expect(await questionAt()).toBe(atFirst)
    await fault('wrong-unit', false)
    await fault('late')
    await expect(page.getByText('Readings come late; their own times are used.')).toBeVisible()
    expect(await questionAt()).toBe(atFirst)
    await fault('late', false)
    await fault('bump')
    await expect(page.getByText('was it knocked? Tare it again.')).toBeVisible()
    expect(await questionAt()).toBe(atFirst)
    await page.setViewportSize({ width: 1280, height: 800 })
    await bar.prepare(hands)
    await bar.start()
    await expect(page.getByRole('button', { name: /^Pump off/ })).toBeVisible()
    await expect(page.locator('[data-clock="drop"]')).not.toHaveText('–')
    await fault('disconnect')
    await expect(page.getByText('The scale is gone. What came is kept; go on by hand.')).toBeVisible()
    // For two seconds after a drop that was seen by itself a space only confirms that.
    await expect(async () => {
      await page.keyboard.press('Space')
      await expect(page.getByLabel('Stopped at')).not.toHaveValue('', { timeout: 100 })
    }).toPass()
    await bar.step('Cup')
    await page.getByRole('radio', { name: 'Scale was tared' }).check()
    await page.getByLabel('Net weight').fill('38.6')
    await bar.save()
    await expect(page.locator('li[data-rail="yield"]')).toContainText('38.6 g')
    await expect(page.getByRole('heading', { name: 'The curve' })).toBeVisible()
    hands.close()
  })
})

test('a photo is kept as the picture alone, whatever else its file said; what is no picture is not taken', async ({
  page,
}) => {
  const secret = 'taken at the east quay'
  const dot = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  )
  await new Bar(page).begin('Mirren Kestle', 'House double')
  await page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name: 'Look' }).click()
  await page.getByText('More: signs, own rating, note, photo').click()
  const field = page.getByLabel('Add a photo')
  await field.setInputFiles({ name: 'note.txt', mimeType: 'image/png', buffer: Buffer.from('no picture') })
  await expect(page.getByText('That is no picture this device can read.')).toBeVisible()
  const buffer = Buffer.concat([dot, Buffer.from(secret)])
  await field.setInputFiles({ name: 'puck.png', mimeType: 'image/png', buffer })
  await expect(page.getByAltText('Photo 1')).toBeVisible()
  await page.getByLabel('Note').fill('the puck held together')
  await page.getByRole('radio', { name: 'Even, whole' }).check()
  await page.getByRole('button', { name: /^Save/ }).click()
  await expect(page.getByText('the puck held together')).toBeVisible()
  await expect(page.getByAltText('Photo 1')).toBeVisible()
  await expect(page.getByRole('link', { name: /records? waiting/ })).toBeHidden()
  const shotId = page.url().split('/').at(-1) ?? ''
  const answer = await page.request.get(`/api/v1/shots/${shotId}/tasting`)
  const { photos } = (await answer.json()) as { photos: { picture: string }[] }
  expect(photos).toHaveLength(1)
  const kept = Buffer.from(photos[0]?.picture.split(',')[1] ?? '', 'base64').toString('latin1')
  expect(kept.length).toBeGreaterThan(100)
  expect(kept).not.toContain(secret)
})
