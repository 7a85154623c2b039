import { atTheBar, untilAllSent } from './cutOff.ts'
import { expect } from './fixtures.ts'
import { test } from './ownApp.ts'
import { STOPS_AT_G, storedShots } from './scaleBar.ts'

test('a dial-in and a set go through the same, and through a scale that fails: begun and half pulled without network, it is decided with it', async ({
  app,
}) => {
  const { line, powerCut, leave, ...first } = await atTheBar(app)
  let { page, bar } = first
  let hands = await first.hands()
  const trainingId = await bar.startTraining({ 'Suvi Okonjo': 'Group 1' })
  await page.getByRole('link', { name: 'Dial in' }).click()
  let dialled = 0
  for (let done = false; !done && dialled < 8; dialled += 1) {
    const setting = await bar.advisedSetting()
    if (dialled === 1) await line.cut()
    await page.getByRole('button', { name: `Pull at ${setting}` }).click()
    await bar.pull(hands, { setting, stopAtG: STOPS_AT_G })
    await page.getByRole('link', { name: 'Go on dialling in' }).click()
    if (dialled === 1) {
      ;({ page, bar } = await powerCut())
      await page.getByRole('link', { name: /^Training Suvi, since/ }).click()
      await page.getByRole('link', { name: 'Dial in' }).click()
    }
    await expect(page.getByText(`from ${dialled + 1} shot`)).toBeVisible()
    done = /^Found|^Time is right/.test((await page.locator('#next-shot').textContent()) ?? '')
  }
  expect(dialled).toBeGreaterThan(1)
  await page.getByRole('button', { name: /^Lock \d+ for this session/ }).click()
  await expect(page.getByText(/Grind locked at \d+/)).toBeVisible()

  const setting = Number(/locked at (\d+)/.exec((await page.textContent('main')) ?? '')?.[1])

  await bar.beginSet('Suvi Okonjo', 'Espresso at the bar')
  await expect(page.getByText('A set is on at this grinder')).toBeVisible()
  await bar.pullReference(hands, { setting })
  for (let shot = 1; shot <= 5; shot += 1) {
    await page
      .locator('[data-set]')
      .getByRole('button', { name: `Shot ${shot} of 5: Suvi` })
      .click()
    await expect(page.getByRole('heading', { name: 'Is all ready?' })).toBeVisible()
    await bar.prepare(hands, { setting })
    if (shot === 1) await hands.order({ kind: 'fault', fault: 'drop-outs', isOn: true })
    await bar.start()
    if (shot === 2) {
      await expect(page.locator('[data-clock="drop"]')).not.toHaveText('–')
      await hands.order({ kind: 'fault', fault: 'disconnect', isOn: true })
    }
    await bar.stopByWeight()
    if (shot === 1) await hands.order({ kind: 'fault', fault: 'drop-outs', isOn: false })
    // It went for them too.
    if (shot === 2) hands = await first.hands()
    await bar.save()
    await bar.say('On time', 'Hold it')
    await page.getByRole('button', { name: 'Keep it and open the reading' }).click()
    // A sealed set outranks "the device shows at once", without network too.
    await expect(page.getByText('This shot belongs to a set.')).toBeVisible()
    await expect(page.locator('#verdict')).toHaveCount(0)
    await page.getByRole('link', { name: 'Back to the set' }).click()
    if (shot === 3) {
      // Where there is no line yet the power goes, too; then the server, as the line comes back.
      ;({ page, bar } = await powerCut())
      await page.getByRole('link', { name: /^Training Suvi, since/ }).click()
      await app.kill()
      await line.mend()
      await app.restart()
      await untilAllSent(page)
    }
  }
  await bar.pullReference(hands, { setting })
  await untilAllSent(page)
  const shots = await storedShots(page, trainingId)
  const purposes = shots.map(({ purpose }) => purpose).reverse()
  expect(purposes.slice(0, dialled)).toEqual(Array<string>(dialled).fill('dial-in'))
  expect(purposes.filter((purpose) => purpose === 'assessment')).toHaveLength(5)
  expect([purposes[dialled], purposes.at(-1)]).toEqual(['reference', 'reference'])
  for (const { series, current } of shots) {
    expect(series?.weight?.split(' ').length).toBeGreaterThan(100)
    expect(current.facts.cup?.netG).toBeGreaterThan(30)
  }
  await page.locator('[data-set]').getByRole('button', { name: 'End the set and open it' }).click()
  await expect(page.getByRole('heading', { name: 'Espresso at the bar, Suvi Okonjo' })).toBeVisible()
  // What a stand-in weighed counts for nothing: nobody is signed by it.
  await expect(page.locator('[data-part="dose"]')).toContainText('too little is known of it')
  hands.close()
  await leave()
})
