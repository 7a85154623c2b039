import { existsSync } from 'node:fs'
import { installDebianPackage } from '../machine/debianPackages.ts'

const DEBIAN_CHROMIUM = '/usr/bin/chromium'

/** Debian's Chromium, installed when it is absent and that is allowed. */
export function chromiumPath(): string {
  if (!existsSync(DEBIAN_CHROMIUM)) installDebianPackage('chromium', 'The browser for the tests')
  return DEBIAN_CHROMIUM
}

/** Root may not use its sandbox, and a small /dev/shm would end it; it must not look for hosts outside either. */
export const CHROMIUM_ARGS = ['--no-sandbox', '--disable-dev-shm-usage', '--disable-background-networking']
