import { TRAINEE, expect, expectAccessible, test } from './fixtures.ts'
import { makeAccount } from './people.ts'
import { phoneOf } from './phone.ts'
import { ScaleBar } from './scaleBar.ts'

const PEER = 'Wren Halloway'

test('three at a group: one pulls, one watches on their own phone, one is next, and a latecomer joins in a tap', async ({
  page,
  browser,
  app,
  request,
}) => {
  await makeAccount(app, request, PEER, 'trainee')
  const bar = new ScaleBar(page)
  await bar.startTraining(
    { [TRAINEE]: 'Group 1', 'Pia Restrand': 'Group 1', [PEER]: 'Group 1' },
    { isFull: false },
  )
  const training = page.url()
  const phone = await phoneOf(browser, app, PEER)
  await phone.goto(training)
  await expect(phone.locator('[data-line="in-step"]')).toBeVisible()
  await bar.next('Group 1')
  const turn = (which: string) => phone.locator(`[data-turn="${which}"]`)
  await expect(turn('pulling')).toHaveText('Mirren')
  await expect(turn('watching')).toHaveText('Wren')
  await expect(turn('next')).toHaveText('Pia')
  await expectAccessible(phone)
  await phone.getByRole('link', { name: `Watch ${TRAINEE}` }).click()
  await expect(phone.getByRole('heading', { name: `Watching ${TRAINEE}` })).toBeVisible()

  await bar.step('Pull')
  await bar.start()
  await phone.getByRole('button', { name: 'Dripping' }).tap()
  await expect(phone.getByText(/^Dripping at/)).toBeVisible()
  await phone.getByRole('button', { name: 'Watched: all done' }).tap()
  const flush = phone.getByRole('button', { name: /^Flush the group/ })
  await flush.tap()
  await flush.tap()
  await expect(flush).toHaveAccessibleName(/missed/)
  const own = new ScaleBar(phone)
  await own.say('Choked', 'Coarser')
  await phone.getByRole('button', { name: 'That is my call' }).click()
  await expectAccessible(phone)
  // A reload on the way loses none of it.
  await phone.reload()
  await expect(phone.getByText(/^Dripping at/)).toBeVisible()
  await phone.getByRole('button', { name: 'Keep what I saw' }).click()
  await expect(phone.getByRole('region', { name: 'Group 1' })).toBeVisible()

  await page.getByRole('button', { name: /^Pump off/ }).click()
  await bar.save()
  await expect(page.getByRole('heading', { name: `${TRAINEE}: the last word` })).toBeVisible()
  await page.goto(training)
  await expect(page.getByText('waits for the call')).toBeVisible()
  await page.getByRole('link', { name: new RegExp(`^${TRAINEE},`) }).click()
  await bar.say('Choked', 'Coarser')
  await page.getByRole('button', { name: 'Keep it and open the reading' }).click()
  await expect(page.getByText(`${PEER} watched; a peer’s word counts for nobody’s skill`)).toBeVisible()
  await expect(page.getByText(/^Missed: Flush the group/)).toBeVisible()
  await expect(page.getByText('Call: Choked, Coarser')).toBeVisible()
  await expectAccessible(page)

  await bar.toTraining()
  await expect(page.locator('ol').getByText(TRAINEE)).toBeVisible()
  await page.getByRole('button', { name: 'Add Suvi Okonjo' }).click()
  await expect(page.getByRole('region', { name: 'Group 1' }).getByText('Suvi Okonjo')).toBeVisible()
  await expectAccessible(page)
  await phone.context().close()
})
