import { defineConfig } from '@playwright/test'
import config from './playwright.config.ts'

const { projects: _stories, ...shared } = config

/** Not tests: the pictures of the main views for the documentation. */
export default defineConfig({ ...shared, testMatch: 'pictures.ts', workers: 1, reporter: [['list']] })
