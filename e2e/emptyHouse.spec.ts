import { mkdtempSync, chmodSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort, startByCommand } from '@calm-apron/scripts/testing'
import { test } from '@playwright/test'
import { expect } from './expect.ts'
import { expectAccessible } from './fixtures.ts'
import { tabTo } from './people.ts'

test('an empty house, by keyboard alone: set up by the code, invite, join, a PIN, the trail, and out', async ({
  browser,
}) => {
  const data = mkdtempSync(join(tmpdir(), 'calm-apron-empty-'))
  chmodSync(data, 0o755)
  const app = startByCommand({ CALM_APRON_DATA: data, PORT: String(await freePort()) }, undefined, [
    '--empty',
  ])
  const url = await app.ready
  const code = await app.said(/Code for the first set-up: (\S+)/)
  const context = await browser.newContext({ baseURL: url })
  const page = await context.newPage()
  const type = async (label: string | RegExp, text: string) => {
    await tabTo(page, page.getByLabel(label, { exact: typeof label === 'string' }))
    await page.keyboard.press('Control+a')
    await page.keyboard.type(text)
  }
  const press = async (name: string | RegExp, role: 'button' | 'link' = 'button') => {
    await tabTo(page, page.getByRole(role, { name, exact: typeof name === 'string' }))
    await page.keyboard.press('Enter')
  }

  await test.step('whoever has no code does not get the house', async () => {
    await page.goto('/')
    await expect(page.getByRole('heading', { name: 'Set up your academy' })).toBeVisible()
    await expectAccessible(page)
    await type('Code from the console', 'AAAA-BBBB')
    await type('Name of the academy', 'Gull Street Coffee School')
    await type('Town', 'Ostrel')
    await type('Your name', 'Signe Hallow')
    await type('Sign-in name', 'signe@gull.example')
    await type('Password', 'password123')
    await press('Make the academy')
    await expect(page.getByText('That is not the code.')).toBeVisible()
  })

  await test.step('with the code of the console, and no common password, it is made', async () => {
    await type('Code from the console', code)
    await press('Make the academy')
    await expect(page.getByText('Many people use this one')).toBeVisible()
    await type('Password', 'terns on the harbour wall')
    await press('Make the academy')
    await expect(page.getByRole('heading', { name: /^Today/ })).toBeVisible()
    await expect(page.getByText('Gull Street Coffee School, Ostrel')).toBeVisible()
    await expect(page.getByText('No trainees yet.')).toBeVisible()
  })

  let link = ''
  await test.step('the head invites a trainer by a link', async () => {
    await press('Settings', 'link')
    await press('People', 'link')
    await press('Invite someone')
    await type('Name', 'Rolf Quayle')
    await tabTo(page, page.getByRole('radio', { name: 'Trainee' }))
    await page.keyboard.press('ArrowUp')
    await expect(page.getByRole('radio', { name: 'Trainer' })).toBeChecked()
    await press('Make the invitation')
    await expect(page.getByAltText(/picture for a phone/)).toBeVisible()
    await expectAccessible(page)
    link = await page.getByLabel('Link', { exact: true }).inputValue()
    expect(link).toMatch(/\/join#[\w-]{43}$/)
  })

  await test.step('the trainer joins on the same tablet, and sets a PIN', async () => {
    await page.goto(link)
    await expect(page.getByText('Rolf Quayle, you are invited to Gull Street Coffee School.')).toBeVisible()
    await expectAccessible(page)
    await type('Sign-in name', 'rolf@gull.example')
    await type('New password', 'a thimble full of crema')
    await press('Join')
    await expect(page.getByRole('link', { name: /Rolf Quayle is here/ })).toBeVisible()
    await press('Settings', 'link')
    await press('Your sign-in', 'link')
    await type('New PIN', '31415')
    await type('New PIN again', '31416')
    await press('Set the PIN')
    await expect(page.getByText('The two are not alike.')).toBeVisible()
    await type('New PIN again', '31415')
    await tabTo(page, page.getByLabel('Your password now').first())
    await page.keyboard.type('a thimble full of crema')
    await press('Set the PIN')
    await expect(page.getByText('The PIN is set.')).toBeVisible()
    await expectAccessible(page)
  })

  await test.step('the link is used up', async () => {
    const other = await browser.newContext({ baseURL: url })
    const elsewhere = await other.newPage()
    await elsewhere.goto(link)
    await expect(elsewhere.getByText('This link no longer works')).toBeVisible()
    await other.close()
  })

  await test.step('the head comes back by password, reads the trail, and signs out everywhere', async () => {
    await press(/Rolf Quayle is here/, 'link')
    await press('Signe Hallow, no PIN yet: uses the password')
    await type('Sign-in name', 'signe@gull.example')
    await type('Password', 'terns on the harbour wall')
    await press('Sign in')
    await expect(page.getByRole('link', { name: /Signe Hallow is here/ })).toBeVisible()
    await press('Settings', 'link')
    await press('Trail of changes', 'link')
    await expect(page.getByText('Signe Hallow: added a person, about Rolf Quayle')).toBeVisible()
    await expect(page.getByText('Rolf Quayle: changed the PIN')).toBeVisible()
    await expectAccessible(page)
    await press('Your sign-in', 'link')
    await press('Sign out everywhere')
    await expect(page.getByRole('heading', { name: 'Who is there?' })).toBeVisible()
  })

  await test.step('the trainer comes in with the PIN', async () => {
    await press('Rolf Quayle, PIN')
    await type('PIN of Rolf Quayle', '31415')
    await page.keyboard.press('Enter')
    await expect(page.getByRole('link', { name: /Rolf Quayle is here/ })).toBeVisible()
  })

  await context.close()
  app.process.kill('SIGINT')
  expect(await app.ended).toBe(0)
  rmSync(data, { recursive: true, force: true })
})
