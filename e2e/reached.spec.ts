import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { createTestDatabase, freePort, runByCommand, startByCommand } from '@calm-apron/scripts/testing'
import { test } from '@playwright/test'
import { expect } from './expect.ts'
import { makeCertificate } from './certificate.ts'

test('over https by its own certificate: cookies are for https alone; without it the start says what is lost', async ({
  browser,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'calm-apron-tls-'))
  chmodSync(folder, 0o755)
  const database = await createTestDatabase('demo')
  const settings = {
    CALM_APRON_DATA: folder,
    HOST: '0.0.0.0',
    DATABASE_URL: database.appUrl,
    DATABASE_OWNER_URL: database.ownerUrl,
    DEMO: 'yes',
  }
  const safe = startByCommand({ ...settings, ...makeCertificate(folder), PORT: String(await freePort()) })
  const url = await safe.ready
  expect(url).toMatch(/^https:/)
  expect(safe.printed()).not.toContain('Without TLS')
  expect(safe.printed()).toContain('Keep nothing real in it')
  const context = await browser.newContext({ ignoreHTTPSErrors: true, baseURL: url })
  const page = await context.newPage()
  await page.goto('/')
  await page.getByRole('button', { name: /Come in as Halla Winterbourne/ }).click()
  await expect(page.getByRole('heading', { name: /^Today/ })).toBeVisible()
  const cookies = await context.cookies()
  expect(
    cookies.map(({ name, secure, httpOnly, sameSite }) => ({ name, secure, httpOnly, sameSite })),
  ).toEqual([
    { name: '__Host-calm_apron_session', secure: true, httpOnly: true, sameSite: 'Lax' },
    { name: '__Host-calm_apron_device', secure: true, httpOnly: true, sameSite: 'Lax' },
  ])
  await context.close()
  safe.process.kill('SIGINT')
  expect(await safe.ended).toBe(0)

  const plain = startByCommand({ ...settings, PORT: String(await freePort()) })
  await plain.ready
  expect(plain.printed()).toContain('Without TLS')
  plain.process.kill('SIGINT')
  await plain.ended
  await database.remove()
  rmSync(folder, { recursive: true, force: true })
})

test('from the command line: a second academy kept apart, and a sole head who is locked out comes in again', async ({
  browser,
}) => {
  const data = mkdtempSync(join(tmpdir(), 'calm-apron-academy-'))
  chmodSync(data, 0o755)
  const database = await createTestDatabase('demo')
  const settings = {
    CALM_APRON_DATA: data,
    PORT: String(await freePort()),
    DATABASE_URL: database.appUrl,
    DATABASE_OWNER_URL: database.ownerUrl,
    DEMO: 'yes',
  }
  const academy = (...args: string[]) => runByCommand(['academy', ...args], settings)
  const linkIn = (printed: string) => /http\S+\/join#\S+/.exec(printed)?.[0] ?? ''
  const asked = [
    'new',
    '--name',
    'Gull Street',
    '--town',
    'Ostrel',
    '--head',
    'Signe Hallow',
    '--sign-in',
    'signe@gull.example',
  ]
  const halved = await academy(...asked)
  expect([halved.code, halved.printed]).toEqual([2, expect.stringContaining('--time-zone')])
  const made = await academy(...asked, '--time-zone', 'Atlantic/Azores')
  expect([made.code, made.printed]).toEqual([0, expect.stringContaining('Gull Street, Ostrel, is made.')])
  const twice = await academy(...asked, '--time-zone', 'Atlantic/Azores')
  expect([twice.code, twice.printed]).toEqual([2, expect.stringContaining('--sign-in: This sign-in name')])
  const nobody = await academy('let-in', 'nobody@gull.example')
  expect([nobody.code, nobody.printed]).toEqual([2, expect.stringContaining('Nobody comes in as')])

  const app = startByCommand(settings)
  const url = await app.ready
  const context = await browser.newContext({ baseURL: url })
  const page = await context.newPage()
  await page.goto(linkIn(made.printed))
  await page.getByLabel('New password').fill('gulls and terns apart')
  await page.getByRole('button', { name: 'Set the password' }).click()
  await expect(page.getByText('Gull Street, Ostrel')).toBeVisible()
  await page.goto('/settings/people')
  await expect(page.getByRole('link', { name: 'Signe Hallow' }).last()).toBeVisible()
  await expect(page.locator('.page li')).toHaveCount(1)

  const again = await academy('let-in', 'Signe@Gull.example')
  expect(again.code).toBe(0)
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Who is there?' })).toBeVisible()
  await page.goto(linkIn(again.printed))
  await page.reload()
  await expect(page.getByText('Sign-in name: signe@gull.example')).toBeVisible()
  await page.getByLabel('New password').fill('gulls and terns once more')
  await page.getByRole('button', { name: 'Set the password' }).click()
  await expect(page.getByText('Gull Street, Ostrel')).toBeVisible()
  await page.goto('/settings/trail')
  await expect(page.getByText('The command line: made a link, about Signe Hallow').first()).toBeVisible()
  await context.close()
  app.process.kill('SIGINT')
  await app.ended
  await database.remove()
  rmSync(data, { recursive: true, force: true })
})
