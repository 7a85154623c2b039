import { CHROMIUM_ARGS, chromiumPath, startTestApp } from '@calm-apron/scripts/testing'
import { type CDPSession, type Page, chromium } from '@playwright/test'
import { comeIn } from './comeIn.ts'

/** A slow mobile line, as browsers' own tools understand it, and a processor a quarter as quick. */
const SLOW_4G = { offline: false, latency: 150, downloadThroughput: 200_000, uploadThroughput: 90_000 }
const CPU_SLOWDOWN = 4
const ROUNDS = 5
const GOAL = { kilobytes: 250, coldMs: 3000, fromWorkerMs: 1000 }

interface Load {
  kilobytes: number
  ms: number
}

/** Opens a page and waits until somebody could begin; counts what of script and style came over the line. */
async function load(page: Page, line: CDPSession, path: string): Promise<Load> {
  const kinds = new Map<string, string>()
  /** Asked for before somebody could begin: what is fetched ahead for later is no part of the first load. */
  const first = new Set<string>()
  let isUsable = false
  let bytes = 0
  const begin = ({ requestId }: { requestId: string }) => {
    if (!isUsable) first.add(requestId)
  }
  const meet = ({ requestId, type }: { requestId: string; type: string }) => kinds.set(requestId, type)
  const count = ({ requestId, encodedDataLength }: { requestId: string; encodedDataLength: number }) => {
    if (first.has(requestId) && ['Script', 'Stylesheet'].includes(kinds.get(requestId) ?? ''))
      bytes += encodedDataLength
  }
  line.on('Network.requestWillBeSent', begin)
  line.on('Network.responseReceived', meet)
  line.on('Network.loadingFinished', count)
  const startMs = performance.now()
  await page.goto(path)
  await page.getByRole('radio', { name: 'Mirren Kestle' }).waitFor()
  const ms = performance.now() - startMs
  isUsable = true
  // What is still on its way for this place counts as well.
  await page.waitForTimeout(1000)
  line.off('Network.requestWillBeSent', begin)
  line.off('Network.responseReceived', meet)
  line.off('Network.loadingFinished', count)
  return { kilobytes: bytes / 1024, ms }
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
const browser = await chromium.launch({ executablePath: chromiumPath(), args: CHROMIUM_ARGS })
try {
  const cookie = await comeIn(app.url, 'trainer')
  const [name = '', value = ''] = (cookie.split(';')[0] ?? '').split('=')
  const open = async (serviceWorkers: 'allow' | 'block') => {
    const context = await browser.newContext({ baseURL: app.url, serviceWorkers })
    await context.addCookies([{ name, value, url: app.url }])
    const page = await context.newPage()
    const line = await context.newCDPSession(page)
    await line.send('Network.enable')
    return { context, page, line }
  }
  const slowDown = async (line: CDPSession) => {
    await line.send('Network.emulateNetworkConditions', SLOW_4G)
    await line.send('Emulation.setCPUThrottlingRate', { rate: CPU_SLOWDOWN })
  }
  const cold = (isSlow: boolean) => async () => {
    const { context, page, line } = await open('block')
    if (isSlow) await slowDown(line)
    const loaded = await load(page, line, '/bar')
    await context.close()
    return loaded
  }
  const fromDevice = async () => {
    const { context, page, line } = await open('allow')
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

  const baseline = await measure(cold(false))
  const say = (
    what: string,
    { kilobytes, ms, fromMs, toMs }: Awaited<ReturnType<typeof measure>>,
    goal = '',
  ) =>
    console.log(
      `  ${what.padEnd(16)} ${kilobytes.toFixed(0)} kB of script and style, usable after ${ms.toFixed(0)} ms (${fromMs.toFixed(0)} to ${toMs.toFixed(0)}), ratio ${(ms / baseline.ms).toFixed(1)}${goal}`,
    )
  console.log(
    `\nThe Bar's first load, the middle of ${ROUNDS}, with a ${CPU_SLOWDOWN}× slower processor and a slow 4G line, against this machine as it is in the same run:`,
  )
  say('as it is', baseline)
  say('cold', await measure(cold(true)), ` (goals ${GOAL.kilobytes} kB, ${GOAL.coldMs} ms)`)
  say('from the device', await measure(fromDevice), ` (goal ${GOAL.fromWorkerMs} ms)`)
} finally {
  await browser.close()
  await app.remove()
}
