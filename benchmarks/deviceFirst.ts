import { CHROMIUM_ARGS, chromiumPath, openLine, startTestApp } from '@calm-apron/scripts/testing'
import { type Page, chromium } from '@playwright/test'
import { comeIn } from './comeIn.ts'

const SHOTS = 100
const GOAL_MS = 200

/** Saves the shot that is open at the bar; tells how long it took until its reading stood, by the page's own clock. */
async function saveAndRead(page: Page): Promise<number> {
  return page.evaluate(async () => {
    const save = [...document.querySelectorAll('button')].find((each) =>
      each.textContent.includes('Save and read'),
    )
    const startMs = performance.now()
    save?.click()
    while (document.querySelector('#verdict') === null) await new Promise(requestAnimationFrame)
    return performance.now() - startMs
  })
}

/** From one reading to the bar for the next shot, and on; tells how long each reading took. */
async function pullMany(page: Page): Promise<number[]> {
  const took: number[] = []
  for (let shot = 0; shot < SHOTS; shot += 1) {
    await page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name: 'Cup' }).click()
    await page.getByRole('radio', { name: 'Scale was tared' }).check()
    await page.getByLabel('Net weight').fill('38.6')
    took.push(await saveAndRead(page))
    await page.getByRole('button', { name: 'Next shot' }).click()
    await page.getByRole('heading', { name: 'Is all ready?' }).waitFor()
  }
  return took.sort((a, b) => a - b)
}

const app = await startTestApp('demo')
const browser = await chromium.launch({ executablePath: chromiumPath(), args: CHROMIUM_ARGS })
const line = await openLine(Number(new URL(app.url).port))
try {
  const url = `http://127.0.0.1:${line.port}`
  const [name = '', value = ''] = (await comeIn(url, 'trainer')).split(';')[0]?.split('=') ?? []
  const context = await browser.newContext({ baseURL: url, serviceWorkers: 'allow' })
  await context.addCookies([{ name, value, url }])
  const page = await context.newPage()
  await page.goto('/bar')
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready
  })
  await page.reload()
  await page.getByRole('radio', { name: 'Jonas Abelard' }).check()
  await page.getByRole('radio', { name: 'House double' }).check()
  await page.getByRole('button', { name: 'Jonas Abelard to the bar' }).click()
  await page.getByRole('heading', { name: 'Is all ready?' }).waitFor()

  console.log(
    `\nFrom “Save” to the reading, ${SHOTS} shots each, the page’s own clock (goal ${GOAL_MS} ms at the 99th percentile):`,
  )
  let baselineMs = 0
  const say = async (what: string) => {
    const took = await pullMany(page)
    const at = (share: number) => took[Math.min(took.length - 1, Math.floor(share * took.length))] ?? 0
    baselineMs ||= at(0.5)
    console.log(
      `  ${what.padEnd(20)} median ${at(0.5).toFixed(0)} ms, p99 ${at(0.99).toFixed(0)} ms, ratio of medians ${(at(0.5) / baselineMs).toFixed(2)}`,
    )
  }
  await say('on a good line')
  line.hang()
  await say('on one that hangs')
  await line.mend()
  await page.locator('[data-line="in-step"]').waitFor()
  await line.cut()
  await say('on one that is cut')
} finally {
  await browser.close()
  await line.cut()
  await app.remove()
}
