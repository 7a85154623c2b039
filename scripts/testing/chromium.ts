import { existsSync } from 'node:fs'
import { installDebianPackage } from '../machine/debianPackages.ts'

/** Debian's Chromium without windows: the same engine, without the cost of the browser around it. */
const PACKAGE = 'chromium-headless-shell'
const PATH = `/usr/bin/${PACKAGE}`

/** Debian's Chromium, installed when it is absent and that is allowed. */
export function chromiumPath(): string {
  if (!existsSync(PATH)) installDebianPackage(PACKAGE, 'The browser for the tests')
  return PATH
}

/** Root may not use its sandbox, and a small /dev/shm would end it; it must not look for hosts outside either. */
export const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-dev-shm-usage',
  '--disable-background-networking',
]
