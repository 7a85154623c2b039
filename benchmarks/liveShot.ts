import { CHROMIUM_ARGS, chromiumPath, startTestApp, startTestStandIns } from '@calm-apron/scripts/testing'
import { type BrowserContext, chromium } from '@playwright/test'
import { comeIn } from './comeIn.ts'

const PULL_S = 60
const CPU_SLOWDOWN = 4
/** A frame is dropped when the one before it was shown longer ago than two of a 60 Hz screen. */
const FRAME_MS = 1000 / 60

interface Seen {
  delaysMs: number[]
  framesMs: number[]
}

/** Pulls for a minute with the stand-in and notes, in the page itself, when each reading came and when it was shown. */
async function pull(context: BrowserContext, slowdown: number): Promise<Seen> {
  const page = await context.newPage()
  // What runs us marks functions with their names, which the page would not know.
  await page.addInitScript('globalThis.__name = (each) => each')
  await page.addInitScript(() => {
    const Line = window.WebSocket
    window.WebSocket = class extends Line {
      constructor(address: string | URL) {
        super(address)
        this.addEventListener('message', () => Reflect.set(window, 'heardMs', performance.now()))
      }
    }
  })
  await page.goto('/')
  await page.getByRole('radio', { name: 'Mirren Kestle' }).check()
  await page.getByRole('radio', { name: 'House double' }).check()
  await page.getByRole('button', { name: 'Mirren Kestle to the bar' }).click()
  await page.getByText('Simulated bench is here').waitFor()
  const line = await context.newCDPSession(page)
  await line.send('Emulation.setCPUThrottlingRate', { rate: slowdown })
  await page.keyboard.press('Space')
  await page.locator('[data-weight]').waitFor()
  const seen = await page.evaluate(async (seconds) => {
    const delaysMs: number[] = []
    const framesMs: number[] = []
    const weight = document.querySelector('[data-weight]')
    // The frame is over by then: what was written before it is on the screen.
    const observer = new MutationObserver(() => {
      const heardMs = Number(Reflect.get(window, 'heardMs'))
      requestAnimationFrame(() => delaysMs.push(performance.now() - heardMs))
    })
    if (weight) observer.observe(weight, { characterData: true, childList: true, subtree: true })
    let lastMs = performance.now()
    const untilMs = lastMs + seconds * 1000
    await new Promise<void>((resolve) => {
      const next = (nowMs: number) => {
        framesMs.push(nowMs - lastMs)
        lastMs = nowMs
        if (nowMs < untilMs) requestAnimationFrame(next)
        else resolve()
      }
      requestAnimationFrame(next)
    })
    return { delaysMs, framesMs }
  }, PULL_S)
  await page.close()
  return seen
}

const app = await startTestApp('demo')
const standIns = await startTestStandIns(1)
const browser = await chromium.launch({ executablePath: chromiumPath(), args: CHROMIUM_ARGS })
try {
  const cookie = await comeIn(app.url, 'trainer')
  const [name = '', value = ''] = (cookie.split(';')[0] ?? '').split('=')
  const results: Seen[] = []
  for (const slowdown of [1, CPU_SLOWDOWN]) {
    const context = await browser.newContext({ baseURL: app.url, serviceWorkers: 'block' })
    await context.addCookies([{ name, value, url: app.url }])
    await context.addInitScript((url) => localStorage.setItem('calm-apron.devices', url), standIns.url)
    results.push(await pull(context, slowdown))
    await context.close()
  }
  const at = (sorted: readonly number[], share: number) =>
    sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN
  const told = results.map(({ delaysMs, framesMs }) => {
    const sorted = [...delaysMs].sort((a, b) => a - b)
    const dropped = framesMs.reduce((sum, ms) => sum + Math.max(0, Math.round(ms / FRAME_MS) - 1), 0)
    return { median: at(sorted, 0.5), p99: at(sorted, 0.99), shown: sorted.length, dropped }
  })
  const [plain, slow] = told
  if (!plain || !slow) throw new Error('a run is missing')
  console.log(`\nFrom a reading's arrival to the frame that shows it, over a pull of ${PULL_S} s at 10 Hz:`)
  for (const [what, each] of [
    ['as this machine is', plain],
    [`${CPU_SLOWDOWN}× slower processor`, slow],
  ] as const)
    console.log(
      `  ${what.padEnd(22)} ${each.median.toFixed(1)} ms median, ${each.p99.toFixed(1)} ms 99th percentile, ${each.shown} shown, ${each.dropped} frames dropped`,
    )
  console.log(`  ratio of the medians ${(slow.median / plain.median).toFixed(2)}`)
} finally {
  await browser.close()
  standIns.process.kill('SIGTERM')
  await app.remove()
}
