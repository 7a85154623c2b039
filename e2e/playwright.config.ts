import { CHROMIUM_ARGS, chromiumPath } from '@calm-apron/scripts/testing'
import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  workers: 2,
  fullyParallel: true,
  timeout: 45_000,
  forbidOnly: true,
  retries: 0,
  reporter: [['list'], ['json']],
  use: {
    actionTimeout: 6000,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'Atlantic/Azores',
    launchOptions: { executablePath: chromiumPath(), args: CHROMIUM_ARGS },
  },
})
