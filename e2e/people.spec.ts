import { Bar } from './bar.ts'
import { untilAllSent } from './cutOff.ts'
import { HEAD, TRAINEE, expect, expectAccessible, test } from './fixtures.ts'
import { test as testOnOwn } from './ownApp.ts'
import { makeAccount, setPin, signInOn } from './people.ts'

test.describe('nobody signed in yet', () => {
  test.use({ signedIn: null, academy: 'demo' })

  test('the demo says that it is one, and a tap comes in; the place asked for is where one lands', async ({
    page,
  }) => {
    await page.goto('/progress')
    await expect(page.getByRole('heading', { name: 'Who is there?' })).toBeVisible()
    await expect(
      page.getByText(/This is a demo: Tern & Thimble and everyone in it are made up/),
    ).toBeVisible()
    await expectAccessible(page)
    await page.getByRole('button', { name: 'Come in as Mirren Kestle, Trainee' }).click()
    await expect(page.getByRole('heading', { name: 'Progress' })).toBeVisible()
    await expect(page.locator('ol > li')).toHaveCount(5)
  })

  test('a wrong password is said in words, is slowed, and nothing typed is lost', async ({ page, app }) => {
    const account = await makeAccount(app, page.request, 'Ida Marsh')
    await page.context().clearCookies()
    await page.goto('/')
    await page.getByRole('button', { name: 'Sign in with a password' }).click()
    await page.getByRole('button', { name: 'Sign in', exact: true }).click()
    await expect(page.getByText('At least 3 characters.')).toBeVisible()
    await expectAccessible(page)
    await signInOn(page, { ...account, password: 'not the password' })
    await expect(page.getByRole('alert')).toHaveText('That does not fit. Check it, then try again.')
    await expect(page.getByLabel('Sign-in name')).toHaveValue(account.signInName)
    // Each wait is twice the one before, so however slow the clicks are, one of them comes too soon.
    await expect(async () => {
      await page.getByRole('button', { name: 'Sign in', exact: true }).click()
      await expect(page.getByRole('alert')).toContainText('Too many tries.', { timeout: 500 })
    }).toPass({ intervals: [0] })
  })

  test('a link that is broken, or over, says so', async ({ page }) => {
    await page.goto('/join#abc')
    await expect(page.getByText('This link is not whole.')).toBeVisible()
    await page.goto(`/join#${'x'.repeat(43)}`)
    await page.reload()
    await expect(page.getByText('This link no longer works')).toBeVisible()
    await expectAccessible(page)
  })

  test('a browser that is too old is told kindly', async ({ page }) => {
    await page.addInitScript(() => {
      Reflect.deleteProperty(globalThis, 'structuredClone')
    })
    await page.goto('/')
    await expect(page.getByRole('heading', { name: 'This browser is too old for Calm Apron' })).toBeVisible()
    await expect(page.getByText('Who is there?')).toBeHidden()
    await expectAccessible(page)
  })
})

test.describe('by touch, at the tablet', () => {
  test.use({ signedIn: null, hasTouch: true })

  test('two trainers share a tablet: each comes in once, then they switch by PIN, and records say who judged', async ({
    page,
    app,
    playwright,
  }) => {
    const request = await playwright.request.newContext()
    const ida = await makeAccount(app, request, 'Ida Marsh')
    const rolf = await makeAccount(app, request, 'Rolf Quayle')
    await request.dispose()
    for (const who of [ida, rolf]) {
      await page.context().clearCookies({ name: 'calm_apron_session' })
      await page.goto('/')
      await page.getByRole('button', { name: 'Sign in with a password' }).tap()
      await signInOn(page, who)
      await expect(page.getByRole('heading', { name: /^Today/ })).toBeVisible()
      await setPin(page, app, who, '2718')
    }
    await page.getByRole('link', { name: /Rolf Quayle is here/ }).tap()
    await page.getByRole('button', { name: 'Ida Marsh, PIN' }).tap()
    for (const digit of '2718') await page.getByRole('button', { name: `Digit ${digit}` }).tap()
    await expectAccessible(page)
    await page.getByRole('button', { name: 'Come in', exact: true }).tap()
    await expect(page.getByRole('link', { name: /Ida Marsh is here/ })).toBeVisible()
    await expect(page.getByRole('heading', { name: /^Today/ })).toBeVisible()

    await page.getByRole('radio', { name: 'Teo Varga-Lind' }).tap()
    await page.getByRole('radio', { name: /^House double/ }).tap()
    await page.getByRole('button', { name: 'Teo Varga-Lind to the bar' }).tap()
    const bar = new Bar(page)
    await page.getByLabel('Grind setting').fill('14')
    await page.getByRole('button', { name: 'Save and read' }).tap()
    await expect(bar.verdict).toBeVisible()
    await expect(page.getByText('judged by Ida Marsh')).toBeVisible()

    // With what is on its way still, it would be asked about first.
    await untilAllSent(page)
    await page.getByRole('link', { name: /Ida Marsh is here/ }).tap()
    await page.getByRole('button', { name: 'Sign out', exact: true }).tap()
    await expect(page.getByRole('heading', { name: 'Who is there?' })).toBeVisible()
    await expect(page.getByRole('button', { name: 'Rolf Quayle, PIN' })).toBeVisible()
    await expect(page.getByRole('button', { name: /Ida Marsh/ })).toHaveCount(0)
  })
})

testOnOwn(
  'without network the tablet stays open; someone else goes on, and what they enter is confirmed by their PIN',
  async ({ page, app }) => {
    const ida = await makeAccount(app, page.request, 'Ida Marsh')
    await setPin(page, app, ida, '2718')
    const rolf = await makeAccount(app, page.request, 'Rolf Quayle')
    const bar = new Bar(page)
    await page.goto('/')
    await expect(page.getByRole('heading', { name: /^Today/ })).toBeVisible()
    await app.database.cut()
    await page.reload()
    await expect(page.getByText(/^The server is not answering/).first()).toBeVisible()
    await page.getByRole('link', { name: /Rolf Quayle is here/ }).click()
    await page.getByRole('button', { name: 'Go on as Ida Marsh' }).click()
    await expect(page.getByText('Ida Marsh was named without a check.')).toBeVisible()
    await expectAccessible(page)
    await bar.begin('Teo Varga-Lind', 'House double')
    await page.getByLabel('Grind setting').fill('14')
    await bar.save()

    await app.database.mend()
    await expect(page.getByRole('link', { name: /waiting to be sent/ })).toBeHidden()
    const address = page.url()
    await page.reload()
    await expect(
      page.getByText('judged by Ida Marsh, named without a check, not confirmed yet'),
    ).toBeVisible()
    await page.getByRole('link', { name: 'Give the PIN' }).click()
    await page.getByRole('button', { name: 'Ida Marsh, PIN' }).click()
    await page.getByLabel('PIN of Ida Marsh').fill('2718')
    await page.keyboard.press('Enter')
    await expect(page.getByText('Ida Marsh was named without a check.')).toBeHidden()
    await expect(page).toHaveURL(address)
    // The PIN says who is here; what was entered in their name they look at one by one.
    await expect(page.getByText('judged by Ida Marsh, named without a check')).toBeVisible()
    await expect(page.getByText('One record was entered in your name')).toBeVisible()
    await page.getByRole('link', { name: 'Look at them' }).click()
    await expect(page.getByRole('heading', { name: 'Entered in your name' })).toBeVisible()
    await expectAccessible(page)
    await page.getByRole('button', { name: 'It is mine' }).click()
    await expect(page.getByRole('heading', { name: 'Entered in your name' })).toBeHidden()
    await page.goto(address)
    await expect(page.getByText('judged by Ida Marsh', { exact: true })).toBeVisible()
    expect(rolf.personId).not.toBe(ida.personId)
  },
)

test.describe('at the demo’s own door', () => {
  test.use({ academy: 'demo' })

  test('records that wait when their author signs out stay on the device, and go when they are back', async ({
    page,
    app,
  }) => {
    const ida = await makeAccount(app, page.request, 'Ida Marsh')
    const bar = new Bar(page)
    await bar.begin('Teo Varga-Lind', 'House double')
    await page.getByLabel('Grind setting').fill('14')
    await page.route('**/api/v1/shots/*', (route) => route.abort())
    await bar.save()
    await page.getByRole('link', { name: /Ida Marsh is here/ }).click()
    await page.getByRole('button', { name: 'Sign out', exact: true }).click()
    await expect(page.getByText('One record of yours has not been sent yet.')).toBeVisible()
    await page.getByRole('button', { name: 'Sign out all the same' }).click()
    await expect(page.getByRole('heading', { name: 'Who is there?' })).toBeVisible()
    await page.unroute('**/api/v1/shots/*')
    // Until the server has said who is known here, nothing of Ida's may be sent for her.
    let letThrough: () => void = () => undefined
    const isHeld = new Promise<void>((resolve) => (letThrough = resolve))
    await page.route('**/api/v1/doors', async (route) => {
      await isHeld
      await route.continue()
    })
    await page.getByRole('button', { name: /Come in as Odalys Brandt/ }).click()
    await page.getByRole('link', { name: 'Kept here, 1 waiting' }).click()
    await expect(page.getByText('Waits until Ida Marsh signs in on this device')).toBeVisible()
    letThrough()
    await page.getByRole('link', { name: /Odalys Brandt is here/ }).click()
    await page.getByRole('button', { name: /Someone else/ }).click()
    await signInOn(page, ida)
    // Back where it was switched from, and nothing waits there any more.
    await expect(page.getByRole('heading', { name: 'Waiting to be sent' })).toBeVisible()
    await expect(page.getByText('Nothing is waiting.')).toBeVisible()
    await page.goto('/progress')
    await page.getByRole('link', { name: 'Teo Varga-Lind' }).click()
    await expect(page.locator('ol > li')).toHaveCount(1)
  })
})

test.describe('as a trainee', () => {
  test.use({ signedIn: TRAINEE })

  test('one sees one’s own page and nobody else’s, and is offered nothing that is refused', async ({
    page,
  }) => {
    await page.goto('/')
    // Whoever learns pulls their own: there is nobody to choose.
    await expect(page.getByRole('radio', { name: 'House double' })).toBeVisible()
    for (const name of ['Mirren Kestle', 'Teo Varga-Lind'])
      await expect(page.getByRole('radio', { name })).toHaveCount(0)
    await page.getByRole('radio', { name: 'House double' }).check()
    await expect(page.getByRole('button', { name: 'Mirren Kestle to the bar' })).toBeEnabled()
    await page.goto('/progress')
    await expect(page.locator('ol > li')).toHaveCount(5)
    await page
      .getByRole('link', { name: /^Reading of/ })
      .first()
      .click()
    await expect(page.locator('#verdict')).toBeVisible()
    await expect(page.getByRole('link', { name: 'Correct a number' })).toHaveCount(0)
    await page.goto('/settings')
    const parts = page.getByRole('navigation', { name: 'Parts of the settings' })
    await expect(parts.getByRole('link')).toHaveText(['This device', 'Devices', 'Your sign-in'])
    for (const path of ['people', 'academy', 'trail', 'set-aside']) {
      await page.goto(`/settings/${path}`)
      await expect(page.getByText('This place is not for your role.')).toBeVisible()
    }
  })
})

test.describe('as the head', () => {
  test.use({ signedIn: HEAD })

  test('a role is changed, an account ended and opened again, and the trail tells all of it', async ({
    page,
  }) => {
    await page.goto('/settings/people')
    await page.getByRole('link', { name: 'Bram Ostergard' }).click()
    await page.getByRole('radio', { name: 'Head of training' }).check()
    await page.getByLabel('Why (if it is worth noting)').fill('runs the second room')
    await page.getByRole('button', { name: 'Save', exact: true }).click()
    await expect(page.getByText('Saved.')).toBeVisible()
    await page.getByRole('button', { name: 'End the account' }).click()
    await expect(page.getByText('The account has ended.')).toBeVisible()
    await page.getByRole('button', { name: 'Open the account again' }).click()
    await expect(page.getByText('The account is open again.')).toBeVisible()
    await page.goto('/settings/trail')
    await page.getByLabel('About whom').selectOption({ label: 'Bram Ostergard' })
    await expect(page.locator('ol > li')).toHaveCount(3)
    await page.getByLabel('What', { exact: true }).selectOption({ label: 'changed a role' })
    await expect(page.locator('ol > li')).toHaveCount(1)
    await expect(page.getByText('Halla Winterbourne: changed a role, about Bram Ostergard')).toBeVisible()
    await expect(page.getByText('Role: Trainer → Head of training')).toBeVisible()
    await expect(page.getByText('Why: runs the second room')).toBeVisible()
  })

  test('someone is erased: what goes and what stays is said first, and the name is typed', async ({
    page,
  }) => {
    await page.goto('/settings/people')
    await page.getByRole('link', { name: 'Mirren Kestle' }).click()
    const download = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Download it (JSON)' }).click()
    expect((await download).suggestedFilename()).toMatch(/^calm-apron-.*\.json$/)
    await page.getByRole('button', { name: 'Say what would go and what would stay' }).click()
    await expect(page.getByText(/Kept without a name: 5 shots/)).toBeVisible()
    await page.getByLabel(/Type the name, Mirren Kestle/).fill('Mirren')
    await page.getByRole('button', { name: 'Erase for good' }).click()
    await expect(page.getByText('That is not the name.')).toBeVisible()
    await page.getByLabel(/Type the name, Mirren Kestle/).fill('Mirren Kestle')
    await page.getByRole('button', { name: 'Erase for good' }).click()
    await expect(page.getByText('Erased. Records stay without a name.')).toBeVisible()
    await page.getByRole('link', { name: 'All people' }).click()
    await expect(page.getByText('Mirren Kestle')).toHaveCount(0)
    await expect(page.getByText('Someone erased')).toBeVisible()
  })

  test('a change that came second is told, with how it stands now', async ({ page, context }) => {
    await page.goto('/settings/academy')
    const twin = await context.newPage()
    await twin.goto('/settings/academy')
    await twin.getByLabel('Name of the academy').fill('Tern & Thimble & Co')
    await twin.getByRole('button', { name: 'Save', exact: true }).click()
    await expect(twin.getByText('Saved.')).toBeVisible()
    await page.getByLabel('Town').fill('Ostrel Harbour')
    await page.getByRole('button', { name: 'Save', exact: true }).click()
    await expect(page.getByRole('alert')).toContainText('It now reads: Tern & Thimble & Co, Ostrel')
    await page.getByRole('button', { name: 'Save', exact: true }).click()
    await expect(page.getByText('Saved.')).toBeVisible()
  })

  test('a record of an ended account is kept aside, looked at, and kept', async ({
    page,
    app,
    playwright,
  }) => {
    const request = await playwright.request.newContext()
    const ida = await makeAccount(app, request, 'Ida Marsh')
    const listed = (await (await request.get(`${app.url}/api/v1/shots?limit=1`)).json()) as {
      shots: [{ shotId: string; tasted: object; current: { facts: object } }]
    }
    const [{ shotId: _id, current, tasted: _tasted, ...setting }] = listed.shots
    await makeAccount(app, request, 'Rolf Quayle')
    await page.goto('/settings/people')
    await page.getByRole('link', { name: 'Ida Marsh' }).click()
    await page.getByRole('button', { name: 'End the account' }).click()
    await expect(page.getByText('The account has ended.')).toBeVisible()
    const late = await request.put(`${app.url}/api/v1/shots/019a5c00-0000-700a-8000-0000000fffff`, {
      headers: { Origin: app.url },
      data: { ...setting, judgedBy: ida.personId, facts: current.facts },
    })
    expect(late.status()).toBe(409)
    await request.dispose()
    await page.goto('/settings/set-aside')
    await expect(page.getByText('Entered under the name of Ida Marsh')).toBeVisible()
    await expectAccessible(page)
    await page.getByRole('button', { name: 'Keep it' }).click()
    await expect(page.getByText('Say in a few words why')).toBeVisible()
    await page.getByLabel('Why').fill('was there myself')
    await page.getByRole('button', { name: 'Keep it' }).click()
    await expect(page.getByText('Kept, and counted from now on.')).toBeVisible()
    await expect(page.getByText('Nothing is kept aside.')).toBeVisible()
  })
})
