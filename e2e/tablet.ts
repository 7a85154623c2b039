import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { CHROMIUM_ARGS, chromiumPath } from '@calm-apron/scripts/testing'
import { type BrowserContext, type Page, chromium } from '@playwright/test'
import { expect } from './expect.ts'

/** A browser with a memory of its own, that can lose its power and be switched on again. */
export class Tablet {
  readonly folder = mkdtempSync(join(tmpdir(), 'calm-apron-tablet-'))
  private context: BrowserContext | null = null

  constructor(
    private readonly url: string,
    private readonly args: readonly string[] = [],
  ) {}

  /** Switches it on. */
  async open(): Promise<Page> {
    const context = await chromium.launchPersistentContext(this.folder, {
      executablePath: chromiumPath(),
      args: [...CHROMIUM_ARGS, ...this.args],
      baseURL: this.url,
      ignoreHTTPSErrors: true,
      serviceWorkers: 'allow',
      viewport: { width: 1280, height: 800 },
      locale: 'en-GB',
      timezoneId: 'Atlantic/Azores',
    })
    this.context = context
    const page = context.pages()[0] ?? (await context.newPage())
    // As for every other page of a story: it only ends what hangs.
    page.setDefaultTimeout(120_000)
    return page
  }

  /** Whether it reaches anything beyond itself and what stands beside it. */
  async setLine(isUp: boolean): Promise<void> {
    await this.context?.setOffline(!isUp)
  }

  /** The power goes: nothing is closed, nothing is saved. */
  async cutPower(): Promise<void> {
    const gone = new Promise((resolve) => this.context?.once('close', resolve))
    execFileSync('pkill', ['-9', '-f', this.folder])
    await gone
  }

  async remove(): Promise<void> {
    await this.context?.close()
    rmSync(this.folder, { recursive: true, force: true, maxRetries: 5 })
  }
}

/** Waits until the whole app lies on the device. */
export async function untilOnDevice(page: Page): Promise<void> {
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready
  })
  await page.reload()
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true)
}
