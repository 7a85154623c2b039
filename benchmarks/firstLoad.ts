import { CHROMIUM_ARGS, chromiumPath, startTestApp } from '@calm-apron/scripts/testing'
import { type CDPSession, type Page, chromium } from '@playwright/test'
import { comeIn } from './comeIn.ts'
import { serveBarePage } from './firstLoad/barePage.ts'

/** A slow mobile line, as browsers' own tools understand it, and a processor a quarter as quick. */
const SLOW_4G = { offline: false, latency: 150, downloadThroughput: 200_000, uploadThroughput: 90_000 }
const CPU_SLOWDOWN = 4
const ROUNDS = 5
/** In kB, and in times what the bare page takes. */
const GOAL = { kilobytes: 150, cold: 1.6, fromDevice: 1.3 }

interface Load {
  kilobytes: number
  ms: number
}

/** Notes in the page when somebody could first begin, and says so: whoever asks it from outside slows it down. */
function noteUsable(): void {
  new MutationObserver((_changes, observer) => {
    if (document.querySelector('input[type=radio]') === null) return
    observer.disconnect()
    requestAnimationFrame(() => {
      performance.mark('usable')
      console.debug('usable')
    })
  }).observe(document, { childList: true, subtree: true })
}

/** Opens a page and waits until somebody could begin; counts what of script and style was asked for before. */
async function load(page: Page, line: CDPSession, path: string): Promise<Load> {
  const kinds = new Map<string, string>()
  const askedAtMs = new Map<string, number>()
  const bytes = new Map<string, number>()
  const ask = ({ requestId, wallTime }: { requestId: string; wallTime: number }) =>
    askedAtMs.set(requestId, 1000 * wallTime)
  const meet = ({ requestId, type }: { requestId: string; type: string }) => kinds.set(requestId, type)
  const count = ({ requestId, encodedDataLength }: { requestId: string; encodedDataLength: number }) =>
    bytes.set(requestId, encodedDataLength)
  line.on('Network.requestWillBeSent', ask)
  line.on('Network.responseReceived', meet)
  line.on('Network.loadingFinished', count)
  const isUsable = page.waitForEvent('console', { predicate: (message) => message.text() === 'usable' })
  await page.goto(path)
  await isUsable
  await page.getByRole('radio', { name: 'Mirren Kestle' }).waitFor()
  // What is still on its way for this place counts as well.
  await page.waitForTimeout(1000)
  line.off('Network.requestWillBeSent', ask)
  line.off('Network.responseReceived', meet)
  line.off('Network.loadingFinished', count)
  const { ms, atMs } = await page.evaluate(() => {
    const at = performance.getEntriesByName('usable')[0]?.startTime ?? Number.NaN
    return { ms: at, atMs: performance.timeOrigin + at }
  })
  const isOfFirst = (id: string) =>
    (askedAtMs.get(id) ?? Infinity) < atMs && ['Script', 'Stylesheet'].includes(kinds.get(id) ?? '')
  const first = [...bytes].filter(([id]) => isOfFirst(id))
  // What is fetched ahead for later is no part of the first load.
  return { kilobytes: first.reduce((total, [, each]) => total + each, 0) / 1000, ms }
}

/** The middle one of several, and how far they lie apart: a shared machine is now quicker, now slower. */
async function measure(once: () => Promise<Load>): Promise<Load & { fromMs: number; toMs: number }> {
  const loads: Load[] = []
  for (let round = 0; round < ROUNDS; round += 1) loads.push(await once())
  const byTime = loads.toSorted((a, b) => a.ms - b.ms)
  const [first, middle, last] = [byTime[0], byTime[(ROUNDS - 1) / 2], byTime[ROUNDS - 1]]
  if (!first || !middle || !last) throw new Error('There were no rounds.')
  return { ...middle, fromMs: first.ms, toMs: last.ms }
}

const app = await startTestApp('demo')
const bare = await serveBarePage()
const browser = await chromium.launch({ executablePath: chromiumPath(), args: CHROMIUM_ARGS })

/** A browser of its own at one of the two pages. */
async function open(url: string, serviceWorkers: 'allow' | 'block') {
  const context = await browser.newContext({ baseURL: url, serviceWorkers })
  if (url === app.url) await context.addCookies([{ ...cookie, url }])
  await context.addInitScript(noteUsable)
  const page = await context.newPage()
  const line = await context.newCDPSession(page)
  await line.send('Network.enable')
  return { context, page, line }
}
async function slowDown(line: CDPSession): Promise<void> {
  await line.send('Network.emulateNetworkConditions', SLOW_4G)
  await line.send('Emulation.setCPUThrottlingRate', { rate: CPU_SLOWDOWN })
}
const cold = (url: string) => async () => {
  const { context, page, line } = await open(url, 'block')
  await slowDown(line)
  const loaded = await load(page, line, '/bar')
  await context.close()
  return loaded
}
const fromDevice = (url: string) => async () => {
  const { context, page, line } = await open(url, 'allow')
  await page.goto('/bar')
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready
  })
  await page.reload()
  await slowDown(line)
  const loaded = await load(page, line, '/bar')
  await context.close()
  return loaded
}

const [name = '', value = ''] = (((await comeIn(app.url, 'trainer')).split(';')[0] ?? '') || '=').split('=')
const cookie = { name, value }
try {
  console.log(
    `\nThe Bar's first load, the middle of ${ROUNDS}, with a ${CPU_SLOWDOWN}× slower processor and a slow 4G line, against a bare page of the same Vue and router in the same run:`,
  )
  for (const [what, way, goal] of [
    ['cold', cold, GOAL.cold],
    ['from the device', fromDevice, GOAL.fromDevice],
  ] as const) {
    const baseline = await measure(way(bare.url))
    const ours = await measure(way(app.url))
    for (const [whose, { kilobytes, ms, fromMs, toMs }] of [
      ['bare page', baseline],
      ['ours', ours],
    ] as const)
      console.log(
        `  ${what.padEnd(16)} ${whose.padEnd(10)} ${kilobytes.toFixed(0).padStart(4)} kB of script and style, usable after ${ms.toFixed(0)} ms (${fromMs.toFixed(0)} to ${toMs.toFixed(0)})`,
      )
    console.log(
      `  ${what.padEnd(16)} ratio ${(ours.ms / baseline.ms).toFixed(2)} (goal ${goal})${what === 'cold' ? `; goal ${GOAL.kilobytes} kB` : ''}`,
    )
  }
} finally {
  await browser.close()
  bare.close()
  await app.remove()
}
