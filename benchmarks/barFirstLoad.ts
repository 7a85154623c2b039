import { CHROMIUM_ARGS, chromiumPath, startTestApp } from '@calm-apron/scripts/testing'
import { type CDPSession, type Page, chromium } from '@playwright/test'
import { comeIn } from './comeIn.ts'

/** A slow mobile line, as browsers' own tools understand it, and a processor a quarter as quick. */
const SLOW_4G = { offline: false, latency: 150, downloadThroughput: 200_000, uploadThroughput: 90_000 }
const CPU_SLOWDOWN = 4
const GOAL = { kilobytes: 250, coldMs: 3000, fromWorkerMs: 1000 }

interface Load {
  kilobytes: number
  ms: number
}

/** Opens a page and waits until somebody could begin; counts what of script and style came over the line. */
async function load(page: Page, line: CDPSession, path: string): Promise<Load> {
  const kinds = new Map<string, string>()
  let bytes = 0
  const meet = ({ requestId, type }: { requestId: string; type: string }) => kinds.set(requestId, type)
  const count = ({ requestId, encodedDataLength }: { requestId: string; encodedDataLength: number }) => {
    if (['Script', 'Stylesheet'].includes(kinds.get(requestId) ?? '')) bytes += encodedDataLength
  }
  line.on('Network.responseReceived', meet)
  line.on('Network.loadingFinished', count)
  const startMs = performance.now()
  await page.goto(path)
  await page.getByRole('radio', { name: 'Mirren Kestle' }).waitFor()
  const ms = performance.now() - startMs
  // What is still on its way for this place counts as well, unless it is fetched ahead for later.
  await page.waitForTimeout(1000)
  line.off('Network.responseReceived', meet)
  line.off('Network.loadingFinished', count)
  return { kilobytes: bytes / 1024, ms }
}

const app = await startTestApp('demo')
const browser = await chromium.launch({ executablePath: chromiumPath(), args: CHROMIUM_ARGS })
try {
  const cookie = await comeIn(app.url, 'trainer')
  const [name = '', value = ''] = (cookie.split(';')[0] ?? '').split('=')
  const fresh = async (serviceWorkers: 'allow' | 'block', slow: boolean) => {
    const context = await browser.newContext({ baseURL: app.url, serviceWorkers })
    await context.addCookies([{ name, value, url: app.url }])
    const page = await context.newPage()
    const line = await context.newCDPSession(page)
    await line.send('Network.enable')
    const slowDown = async () => {
      await line.send('Network.emulateNetworkConditions', SLOW_4G)
      await line.send('Emulation.setCPUThrottlingRate', { rate: CPU_SLOWDOWN })
    }
    if (slow) await slowDown()
    return { context, page, line, slowDown }
  }
  const quick = await fresh('block', false)
  const baseline = await load(quick.page, quick.line, '/bar')
  await quick.context.close()

  const cold = await fresh('block', true)
  const first = await load(cold.page, cold.line, '/bar')
  await cold.context.close()

  const kept = await fresh('allow', false)
  await kept.page.goto('/bar')
  await kept.page.evaluate(async () => {
    await navigator.serviceWorker.ready
  })
  await kept.page.reload()
  await kept.slowDown()
  const again = await load(kept.page, kept.line, '/bar')
  await kept.context.close()

  console.log(
    `\nThe Bar's first load, ${CPU_SLOWDOWN}× slower processor and a slow 4G line, against this machine as it is in the same run:`,
  )
  const say = (what: string, { kilobytes, ms }: Load, goalMs: number) =>
    console.log(
      `  ${what.padEnd(26)} ${kilobytes.toFixed(0)} kB of script and style (goal ${GOAL.kilobytes}), usable after ${ms.toFixed(0)} ms (goal ${goalMs}), ratio ${(ms / baseline.ms).toFixed(1)}`,
    )
  console.log(`  as it is                   usable after ${baseline.ms.toFixed(0)} ms`)
  say('cold', first, GOAL.coldMs)
  say('from the device', again, GOAL.fromWorkerMs)
} finally {
  await browser.close()
  await app.remove()
}
