import { defineConfig } from '@playwright/test'
import config from './playwright.config.ts'

/** Not tests: the pictures of the main views for the documentation. */
export default defineConfig({ ...config, testMatch: 'pictures.ts', workers: 1, reporter: [['list']] })
