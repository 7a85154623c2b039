import { CHROMIUM_ARGS, chromiumPath } from '@calm-apron/scripts/testing'
import { defineConfig } from '@playwright/test'

const LONG = ['training', 'bar', 'setWithoutNetwork', 'noNetwork', 'backup', 'emptyHouse', 'reached'].map(
  (name) => `**/${name}.spec.ts`,
)

export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  // Stories wait as often as they work: one more than the cores of a small machine.
  workers: 3,
  fullyParallel: true,
  // These only end what hangs: a shared machine can be five times slower for minutes, and stand still for most of one.
  // How fast anything is, the benchmarks say.
  timeout: 480_000,
  expect: { timeout: 120_000 },
  forbidOnly: true,
  retries: 0,
  // The longest stories first, so that no core waits for the last of them.
  projects: [
    { name: 'long', testMatch: LONG },
    { name: 'others', testIgnore: LONG },
  ],
  reporter: [['list'], ['json']],
  use: {
    actionTimeout: 120_000,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    // Only the stories of a bar without network want one; the rest need not fetch the whole app ahead.
    serviceWorkers: 'block',
    timezoneId: 'Atlantic/Azores',
    // A sixth of the browsers' work was drawing movement that no story looks at.
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: { executablePath: chromiumPath(), args: CHROMIUM_ARGS },
  },
})
