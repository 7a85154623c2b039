import { defineConfig } from '@playwright/test'
import config from './playwright.config.ts'

const { projects: _stories, ...shared } = config

/** Not tests: what `npm run keep-release` keeps of a device that this release's page has worked on. */
export default defineConfig({ ...shared, testMatch: 'keepDevice.ts', workers: 1, reporter: [['list']] })
