import { readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { CHECKOUT } from '../machine/checkout.ts'

const PASSED_OVER = new Set(['node_modules', 'dist', 'data', 'test-results', '.git'])

/** All files below the named files and folders of the checkout, as sorted paths relative to it. */
export function sourceFiles(below: readonly string[]): string[] {
  return below.flatMap(filesBelow).sort()
}

function filesBelow(path: string): string[] {
  const full = join(CHECKOUT, path)
  if (!statSync(full).isDirectory()) return [path]
  return readdirSync(full)
    .filter((name) => !PASSED_OVER.has(name))
    .flatMap((name) => filesBelow(join(path, name)))
}
