import type { Page } from '@playwright/test'
import { Bar } from './bar.ts'
import { HEAD, expect, expectAccessible, test } from './fixtures.ts'

/** Goes to a place within the app, without loading all of it anew. */
async function goTo(page: Page, path: string): Promise<void> {
  await page.evaluate(async (to) => {
    const root = document.querySelector('#app') as Element & {
      __vue_app__: { config: { globalProperties: { $router: { push: (to: string) => Promise<unknown> } } } }
    }
    await root.__vue_app__.config.globalProperties.$router.push(to)
  }, path)
  await expect(page.locator('h1')).toBeAttached()
  await expect(page.getByText('One moment')).toBeHidden()
}

const STEPS = ['Before you grind', 'Dose', 'Tamp', 'Pull', 'Cup', 'Look', 'Taste']

async function lookAtEveryView(page: Page): Promise<void> {
  const bar = new Bar(page)
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Coffee' })).toBeVisible()
  await expectAccessible(page)

  await bar.begin('Mirren Kestle', 'House double')
  for (const step of STEPS) {
    await bar.goTo(step)
    await expectAccessible(page)
  }
  await bar.goTo('Dose')
  await bar.answer('How was it weighed?', 'Scale was tared')
  await page.getByLabel('Net weight').fill('abc')
  await expectAccessible(page)
  await page.getByLabel('Net weight').fill('19.6')
  await bar.typeTimes('15', '60')
  await bar.answer('Was it not finished?', 'It choked')
  await bar.taste(3, 2, 9)
  await bar.save()
  await page.getByText('What was recorded').click()
  await expectAccessible(page)

  await page.getByRole('link', { name: 'Correct a number' }).click()
  await page.getByLabel('Grind setting').fill('9')
  await expect(page.getByText('Grind setting: not noted → 9')).toBeVisible()
  await expectAccessible(page)

  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Unfinished' })).toBeVisible()
  await expectAccessible(page)
  for (const path of [
    '/bar',
    '/trainings/new',
    '/progress',
    '/shots',
    '/trainings',
    '/settings',
    '/settings/devices',
    '/waiting',
    '/nowhere',
  ]) {
    await goTo(page, path)
    await expectAccessible(page)
  }
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toBeVisible()
  await expectAccessible(page)
}

const demoId = (kind: string, no = 1) => `019a5c00-0000-70${kind}-8000-00000000000${no}`

const PREPARE_VIEWS = [
  '/prepare/recipes',
  '/prepare/recipes/new',
  `/prepare/recipes/compare?a=${demoId('03')}&b=${demoId('03', 5)}`,
  '/prepare/coffees',
  '/prepare/words',
  '/prepare/cautions',
  '/prepare/files',
  `/prepare/bar/${demoId('07')}`,
  `/prepare/grinders/${demoId('08')}`,
]

/** Of Prepare each kind of view, and a form opened in each that has one. */
async function lookAtPrepare(page: Page): Promise<void> {
  await page.goto('/')
  for (const path of PREPARE_VIEWS) {
    await goTo(page, path)
    await expectAccessible(page)
  }
  for (const path of [
    `/prepare/recipes/${demoId('03')}`,
    `/prepare/coffees/${demoId('05')}`,
    `/prepare/routines/${demoId('10')}`,
  ]) {
    await goTo(page, path)
    await page.getByRole('button', { name: 'Change' }).first().click()
    await expect(page.getByRole('button', { name: 'Save' })).toBeVisible()
    await expectAccessible(page)
  }
}

test('Prepare: axe finds nothing on any view', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
  await lookAtPrepare(page)
})

async function lookAtPeople(page: Page): Promise<void> {
  await page.goto('/')
  for (const path of [
    '/settings/you',
    '/settings/people',
    '/settings/academy',
    '/settings/trail',
    '/settings/set-aside',
    '/switch',
  ]) {
    await goTo(page, path)
    await expectAccessible(page)
  }
  await goTo(page, '/settings/people')
  await page.getByRole('button', { name: 'Invite someone' }).click()
  await page.getByRole('button', { name: 'Make the invitation' }).click()
  await expect(page.getByText('Fill this in.')).toBeVisible()
  await page.getByLabel('Name').fill('Ida Marsh')
  await page.getByRole('button', { name: 'Make the invitation' }).click()
  await expect(page.getByAltText(/picture for a phone/)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('link', { name: 'Ida Marsh' }).click()
  await page.getByRole('button', { name: 'Say what would go' }).click()
  await expect(page.getByText(/^Gone for good/)).toBeVisible()
  await expectAccessible(page)
}

test.describe('as the head', () => {
  test.use({ signedIn: HEAD })
  test('people: axe finds nothing on any view', async ({ page }) => {
    await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
    await lookAtPeople(page)
  })
})

test('the bar, the reading and the rest: axe finds nothing on any view', async ({ page }) => {
  // A scan of a whole view takes seconds, and there are a good twenty.
  await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
  await lookAtEveryView(page)
})

test.describe('in the dark set', () => {
  test.use({ signedIn: HEAD })
  test('the contrast holds too: other colours can change nothing else', async ({ page }) => {
    await page.emulateMedia({ colorScheme: 'dark', reducedMotion: 'reduce' })
    const bar = new Bar(page)
    const scan = () => expectAccessible(page, { isContrastOnly: true })
    await bar.begin('Mirren Kestle', 'House double')
    for (const step of ['Dose', 'Pull']) {
      await bar.goTo(step)
      await scan()
    }
    await bar.goTo('Dose')
    await bar.answer('How was it weighed?', 'Scale was tared')
    await page.getByLabel('Net weight').fill('19.6')
    await bar.typeTimes('15', '60')
    await bar.answer('Was it not finished?', 'It choked')
    await bar.taste(3, 2, 9)
    await bar.save()
    await scan()
    for (const path of [
      '/',
      '/progress',
      '/settings/trail',
      '/prepare/recipes/new',
      '/prepare/coffees',
      `/prepare/bar/${demoId('07')}`,
    ]) {
      await goTo(page, path)
      await scan()
    }
  })
})

test('a phone shows every view without sideways scrolling', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  const bar = new Bar(page)
  await page.goto('/')
  const fits = async () => {
    const { scrolls, width } = await page.evaluate(() => ({
      scrolls: document.documentElement.scrollWidth,
      width: window.innerWidth,
    }))
    expect(scrolls, page.url()).toBeLessThanOrEqual(width)
  }
  for (const path of [
    '/',
    '/progress',
    '/shots',
    '/trainings',
    '/settings',
    '/settings/you',
    '/settings/devices',
    '/trainings/new',
    '/settings/people',
    '/switch',
    '/waiting',
    '/bar',
    '/prepare/recipes',
    '/prepare/recipes/019a5c00-0000-7003-8000-000000000001',
    '/prepare/coffees/019a5c00-0000-7005-8000-000000000001',
    '/prepare/bar/019a5c00-0000-7007-8000-000000000001',
    '/prepare/grinders/019a5c00-0000-7008-8000-000000000001',
    '/prepare/words',
    '/prepare/files',
  ]) {
    await goTo(page, path)
    await fits()
  }
  await bar.begin('Mirren Kestle', 'House double')
  for (const step of STEPS) {
    await bar.goTo(step)
    await fits()
  }
  await bar.typeTimes('7', '28')
  await bar.save()
  await fits()
})

test('keys rest while a field is typed in', async ({ page }) => {
  const bar = new Bar(page)
  await bar.begin('Jonas Abelard', 'House double')
  await page.getByLabel('Grind setting').fill('')
  await page.keyboard.type('1 u4g')
  await expect(page.getByLabel('Grind setting')).toHaveValue('1 u4g')
  await expect(page.getByRole('button', { name: /^Pump on/ })).toBeVisible()
})

test('what has the focus never lies under a bar that stays at the foot of a page', async ({ page }) => {
  for (const [path, last] of [
    ['/trainings/new', 'Start'],
    ['/', 'to the bar'],
  ] as const) {
    await page.goto(path)
    await expect(page.getByRole('button', { name: last }).last()).toBeVisible()
    const covered: string[] = []
    for (let tab = 0; tab < 70; tab += 1) {
      await page.keyboard.press('Tab')
      const under = await page.evaluate(() => {
        const focused = document.activeElement === document.body ? null : document.activeElement
        const bars = [...document.querySelectorAll('*')].filter(
          (each) => getComputedStyle(each).position === 'sticky' && !each.contains(focused),
        )
        const its = focused?.getBoundingClientRect()
        const isUnder = bars.some((bar) => {
          const over = bar.getBoundingClientRect()
          return its !== undefined && its.bottom > over.top + 1 && its.top < over.bottom
        })
        return isUnder ? (focused?.textContent ?? focused?.tagName ?? '') : null
      })
      if (under !== null) covered.push(`${path} after ${tab + 1}: ${under}`)
    }
    expect(covered).toEqual([])
  }
})
