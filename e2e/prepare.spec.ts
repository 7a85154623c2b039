import type { Page } from '@playwright/test'
import { HEAD, TRAINEE, comeInAs, expect, test } from './fixtures.ts'
import { newId, tabTo } from './people.ts'

const RECIPE = '/prepare/recipes/019a5c00-0000-7003-8000-000000000001'
const GRINDER = '/prepare/grinders/019a5c00-0000-7008-8000-000000000002'

/** Fills one line of a form whose labels may also stand elsewhere on the page. */
const fill = (page: Page, label: string, value: string) =>
  page.getByLabel(label, { exact: true }).last().fill(value)
const press = (page: Page, name: string) => page.getByRole('button', { name, exact: true }).last().click()

test('a trainer builds a room from empty to ready to pull', async ({ page }) => {
  await page.goto('/prepare/bar')
  await press(page, 'Add a room')
  await fill(page, 'Name', 'Cellar')
  await press(page, 'Make this room')
  await expect(page.getByRole('heading', { name: 'Cellar' })).toBeVisible()
  const ready = page.getByRole('status', { name: 'Ready to pull?' })
  await expect(ready).toContainText('Not ready to pull yet')
  await expect(ready.getByRole('listitem').first()).toHaveText('Add the machine.')

  const add = async (what: string, values: Record<string, string>, gone: string | null) => {
    await press(page, what)
    for (const [label, value] of Object.entries(values)) await fill(page, label, value)
    await press(page, what)
    await expect(page.getByRole('heading', { name: values['Name'] ?? '' })).toBeVisible()
    if (gone !== null) await expect(ready.getByText(gone)).toBeHidden()
  }
  await add('Add a basket', { Name: 'Cellar double', 'Made for': '18' }, 'Add the baskets.')
  await press(page, 'Add a machine')
  await page.getByLabel('Name', { exact: true }).first().fill('Cellar machine')
  await page.getByLabel('Basket', { exact: true }).selectOption({ label: 'Cellar double' })
  await press(page, 'Add a machine')
  await expect(page.getByText('Basket, selector and buttons agree.')).toBeVisible()

  // What can't be is said at its field, and nothing typed is lost.
  await press(page, 'Add a grinder')
  await fill(page, 'Name', 'Cellar grinder')
  await fill(page, 'Scale to', '-3')
  await press(page, 'Add a grinder')
  await expect(page.getByText('At least 0.')).toBeVisible()
  await fill(page, 'Scale to', '30')
  await press(page, 'Add a grinder')
  await expect(page.getByRole('link', { name: 'Cellar grinder' })).toBeVisible()
  await add(
    'Add a portafilter or cup',
    { Name: 'Cellar portafilter', 'Empty weight': '582.3' },
    'Add a portafilter',
  )
  await add('Add a tool', { Name: 'Cellar tamper' }, 'Add the tamper.')
  await expect(ready).toContainText('Ready to pull.')
  await add('Add a scale', { Name: 'Cellar scale' }, 'A scale.')
  await add('Add the water', { Name: 'Cellar tap' }, 'Where the water comes from.')

  await press(page, 'Switched on just now')
  await expect(page.getByText(/Warming up since .*: 25 minutes left/)).toBeVisible()
  await page.getByRole('link', { name: 'Today', exact: true }).click()
  await expect(page.getByText(/Cellar machine is warming up/)).toBeVisible()
})

test('a recipe in each school, and one that disagrees with itself says so while it is typed', async ({
  page,
}) => {
  await page.goto('/prepare/recipes/new')
  const schools = page.getByRole('main').getByRole('listitem').getByRole('button')
  await expect(schools).toHaveCount(11)
  for (let school = 0; school < 11; school += 1) {
    await schools.nth(school).click()
    await fill(page, 'Name', `School ${school}`)
    await press(page, 'Make this recipe')
    await expect(page.getByRole('heading', { name: `School ${school}` })).toBeVisible()
    await expect(page.locator('dt', { hasText: 'Taste' })).toBeVisible()
    await page.getByRole('link', { name: 'All recipes' }).click()
    await page.getByRole('link', { name: 'New recipe' }).click()
  }

  await schools.first().click()
  await fill(page, 'Name', 'With a taste of its own')
  const own = page.getByRole('group', { name: 'A taste of its own' })
  await expect(own.getByRole('radio', { name: 'No' })).toBeChecked()
  await own.getByRole('radio', { name: 'Yes' }).check()
  await own.getByLabel('Sour').fill('5')
  await press(page, 'Make this recipe')
  await expect(page.getByText('sour 5, sweet 7, bitter 3, each within 2')).toBeVisible()
  await page.goto('/prepare/recipes/new')

  await schools.first().click()
  await fill(page, 'Dose', '16')
  await fill(page, 'Ratio, 1 to (follows)', '2.5')
  await expect(page.getByLabel(/^Yield/).first()).toHaveValue('40.0')
  const says = page.getByRole('status', { name: 'Where the recipe disagrees with itself' })
  await expect(says).toContainText('16.0 g is less than this basket is made for')
  await fill(page, 'First drop to', '40')
  await expect(says).toContainText('A first drop at 40 s would come after the window has closed')
  await fill(page, 'Window to', '20')
  await expect(says).toContainText('The window ends (20 s) before it begins (25 s)')
  await press(page, 'Make this recipe')
  await expect(page.getByText('It ends before it begins. Make this one later or larger.')).toBeVisible()
})

test('a change is told in words, can be taken back, and an earlier version brought back', async ({
  page,
}) => {
  await page.goto(RECIPE)
  await press(page, 'Change')
  await fill(page, 'Dose', '18.8')
  await press(page, 'Save')
  await expect(page.getByText('18.8 g in')).toBeVisible()
  await page.getByRole('button', { name: '1 earlier version' }).click()
  await expect(page.getByText('Dose: 18.4 g → 18.8 g')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('18.4 g in')).toBeVisible()
  await expect(page.getByText('Dose: 18.8 g → 18.4 g')).toBeVisible()
  await page.getByRole('button', { name: 'Bring this version back' }).first().click()
  await expect(page.getByText('18.8 g in')).toBeVisible()
  await press(page, 'Put away')
  await expect(page.getByText('Put away.')).toBeVisible()
  await page.getByRole('link', { name: 'All recipes' }).click()
  await expect(page.getByRole('link', { name: 'Harbour double' })).toBeVisible()
  await expect(page.getByRole('link', { name: 'House double' })).toHaveCount(0)
  await page.keyboard.press('/')
  await page.keyboard.type('quay cup')
  await expect(page.getByRole('link', { name: 'Harbour double' })).toHaveCount(0)
  await expect(page.getByRole('link', { name: 'Old quay cup' })).toBeVisible()
})

test('two trainers change one recipe: both versions are shown, and nothing is lost', async ({
  page,
  app,
  browser,
}) => {
  const other = await (await browser.newContext({ baseURL: app.url, locale: 'en-GB' })).newPage()
  await comeInAs(other.request, app, HEAD)
  await other.goto(RECIPE)
  await page.goto(RECIPE)
  await press(page, 'Change')
  await press(other, 'Change')
  await fill(other, 'Yield may be off by', '3')
  await press(other, 'Save')
  await expect(other.getByText('Saved.')).toBeVisible()

  await fill(page, 'Dose', '18.6')
  await press(page, 'Save')
  const conflict = page.getByRole('alert', { name: 'Two people changed this' })
  await expect(conflict).toContainText(`What ${HEAD} changed`)
  await expect(conflict).toContainText('Yield may be off by: 2.0 g → 3.0 g')
  await expect(conflict).toContainText('Dose: 18.4 g → 18.6 g')
  await press(page, 'Put yours on top')
  await expect(page.getByText('18.6 g in')).toBeVisible()
  await page.getByRole('button', { name: '2 earlier versions' }).click()
  await expect(page.getByText('Dose: 18.4 g → 18.6 g')).toBeVisible()
  await other.close()
})

test('a file with bad rows: each is told, and the good ones come in', async ({ page }) => {
  await page.goto('/prepare/files')
  const csv = [
    'name,roaster,bag_g,rest_days,best_until_days,usable_until_days',
    'Lantern Row,Saltgate Roastery,1000,6,21,35',
    'Buoy Light,Saltgate Roastery,250,,,',
    ',Saltgate Roastery,250,,,',
    'Heavy Bag,Saltgate Roastery,a lot,,,',
    'Upside Down,Saltgate Roastery,250,30,10,20',
  ].join('\n')
  await page
    .getByLabel('File')
    .setInputFiles({ name: 'coffees.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) })
  await expect(page.getByText('1 new · 1 changed · 3 refused')).toBeVisible()
  const rowOf = (text: string) => page.getByRole('row').filter({ hasText: text })
  await expect(rowOf('Heavy Bag')).toContainText('Size of a bag: Fill this in, in digits')
  await expect(rowOf('Upside Down')).toContainText('Best until: It ends before it begins')
  await press(page, 'Take what can be taken')
  await expect(page.getByText('Taken from coffees.csv:')).toBeVisible()
  await page.getByRole('link', { name: 'Coffees and bags' }).click()
  await expect(page.getByRole('link', { name: 'Buoy Light' })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Heavy Bag' })).toHaveCount(0)

  await page.goto('/prepare/files')
  await page
    .getByLabel('File')
    .setInputFiles({ name: 'half.json', mimeType: 'application/json', buffer: Buffer.from('{"format":') })
  await expect(page.getByRole('alert')).toContainText('This is no JSON')
  const download = page.waitForEvent('download')
  await press(page, 'Everything (JSON)')
  const path = await (await download).path()
  await page.getByLabel('File').setInputFiles({
    name: 'all.json',
    mimeType: 'application/json',
    buffer: await import('node:fs').then((fs) => fs.readFileSync(path)),
  })
  await expect(page.getByText(/\d+ the same · 1 refused/)).toBeVisible()
  await expect(rowOf('Loft single-doser')).toContainText('Somebody locked this')
})

test('a bag: its life, what is left, and a weighing that puts it right', async ({ page }) => {
  await page.goto('/prepare/coffees/019a5c00-0000-7005-8000-000000000001')
  const bag = page.getByRole('article', { name: 'Bag 1' })
  await expect(bag.getByText(/^Best until/)).toBeVisible()
  await expect(bag.getByText(/795.4 g left/)).toBeVisible()
  await page.getByLabel('How they stand on').fill('2030-01-01')
  await expect(bag.getByText(/^Past its time since/)).toBeVisible()
  await bag.getByRole('button', { name: 'Change' }).click()
  await bag.getByRole('group', { name: 'Somebody looked what is left' }).getByText('Yes').click()
  await bag.getByLabel('Left', { exact: true }).fill('60')
  await bag.getByRole('button', { name: 'Save' }).click()
  await expect(bag.getByText(/^60.0 g left · 3 shots/)).toBeVisible()
  await page.getByRole('link', { name: 'Today', exact: true }).click()
  await expect(page.getByText(/Lantern Row, Bag 1: 60.0 g left, about 3 shots/)).toBeVisible()
})

test('a routine’s steps are moved by keyboard and by dragging, reworded, and one of one’s own is added', async ({
  page,
}) => {
  await page.goto('/prepare/routines')
  await press(page, 'New routine')
  await page.getByRole('button', { name: /^By weight/ }).click()
  await expect(page.getByRole('heading', { name: 'By weight' })).toBeVisible()
  await press(page, 'Change')
  const titles = page.locator('ol .title')
  await titles.nth(1).focus()
  await page.keyboard.press('Alt+ArrowUp')
  await expect(titles.first()).toHaveText('1. Take the portafilter out and knock it out')
  await expect(titles.first()).toBeFocused()
  await page.locator('.handle').nth(3).dragTo(page.locator('.handle').nth(0))
  await expect(titles.first()).toHaveText('1. Flush the group')
  await page.getByLabel('Add', { exact: true }).selectOption({ label: 'A step of your own' })
  await press(page, 'Add this step')
  await press(page, 'Save')
  await expect(page.getByText('Fill this in.').first()).toBeVisible()
  await fill(page, 'What', 'Ring the bell')
  await press(page, 'Save')
  await expect(page.getByText('Ring the bell')).toBeVisible()
  await page.locator('summary', { hasText: 'Flush the group' }).click()
  await expect(page.getByText('Cleans the screen and settles the temperature.')).toBeVisible()
})

test.describe('what is not one’s own to change', () => {
  test('a locked grinder says who locked it, and a trainee is offered nothing to change', async ({
    page,
    app,
  }) => {
    await page.goto(GRINDER)
    await expect(page.getByText(/Locked by Bram Ostergard: Set for the lever course/)).toBeVisible()
    await press(page, 'Change')
    await fill(page, 'Purge after a change', '2')
    await press(page, 'Save')
    await expect(page.getByRole('alert')).toContainText('Somebody locked this')
    await comeInAs(page.request, app, TRAINEE)
    await page.goto(RECIPE)
    await expect(page.getByText('18.4 g in')).toBeVisible()
    await expect(page.getByRole('button', { name: 'Change' })).toHaveCount(0)
  })
})

test('a recipe is changed and a word looked up by keyboard alone', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Needs care' })).toBeVisible()
  await page.keyboard.press('g')
  await page.keyboard.press('p')
  await expect(page.getByRole('heading', { name: 'Recipes' })).toBeFocused()
  await tabTo(page, page.getByRole('link', { name: 'House double' }))
  await page.keyboard.press('Enter')
  await tabTo(page, page.getByRole('button', { name: 'What is Dose?' }))
  await page.keyboard.press('Enter')
  await expect(page.getByText('Dry ground coffee in the basket, in grams.')).toBeVisible()
  await page.keyboard.press('Shift+Tab')
  await tabTo(page, page.getByRole('button', { name: 'Put away' }))
  await page.keyboard.press('Shift+Tab')
  await page.keyboard.press('Shift+Tab')
  await page.keyboard.press('Enter')
  await tabTo(page, page.getByLabel('Dose', { exact: true }))
  await page.keyboard.press('Control+a')
  await page.keyboard.type('18.1')
  await page.keyboard.press('Enter')
  await expect(page.getByText('18.1 g in')).toBeVisible()
})

test('with 500 coffees and 300 recipes the lists stay lists: a page at a time, and a search finds one', async ({
  page,
  app,
}) => {
  const api = `${app.url}/api/v1`
  const all = (await (await page.request.get(`${api}/prepared-file`)).json()) as {
    things: { preparedId: string; thing: { kind: string; content: { name: string } } }[]
  }
  const copies = (kind: string, count: number) => {
    const first = all.things.find(({ thing }) => thing.kind === kind)
    if (!first) throw new Error(`The demo has no ${kind}.`)
    return Array.from({ length: count }, (_, index) => {
      const name = `${kind} ${String(index).padStart(3, '0')}`
      const thing = { ...first.thing, content: { ...first.thing.content, name } }
      return { preparedId: newId().slice(0, 24) + index.toString(16).padStart(12, '0'), thing }
    })
  }
  const rows = [...copies('coffee', 500), ...copies('recipe', 300)]
  for (let from = 0; from < rows.length; from += 100) {
    const data = { isPreview: false, earlierIds: [], rows: rows.slice(from, from + 100) }
    const answer = await page.request.post(`${api}/prepared/import`, { headers: { Origin: app.url }, data })
    expect(answer.ok()).toBe(true)
  }
  await page.goto('/prepare/coffees')
  await expect(page.getByRole('link', { name: 'coffee 000' })).toBeVisible()
  await press(page, 'Show more')
  await expect(page.getByRole('link', { name: 'coffee 020' })).toBeVisible()
  await page.getByLabel('Search').fill('coffee 499')
  await expect(page.getByRole('link', { name: 'coffee 499' })).toBeVisible()
  await expect(page.getByRole('link', { name: 'coffee 000' })).toHaveCount(0)
})
