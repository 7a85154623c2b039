import { readdirSync, statSync } from 'node:fs'
import { basename, join } from 'node:path'
import { CHECKOUT } from '../machine/checkout.ts'

const PASSED_OVER = new Set(['node_modules', 'dist', '.git'])
/** What stands beside the rooms and is made by running: a room of ours may have a folder of that name. */
const MADE = new Set(['data', 'test-results'])

/** All files below the named files and folders of the checkout, as sorted paths relative to it. */
export function sourceFiles(below: readonly string[]): string[] {
  return below.flatMap(filesBelow).sort()
}

function filesBelow(path: string): string[] {
  const full = join(CHECKOUT, path)
  if (!statSync(full).isDirectory()) return [path]
  return readdirSync(full)
    .map((name) => join(path, name))
    .filter((below) => !PASSED_OVER.has(basename(below)) && !MADE.has(below))
    .flatMap(filesBelow)
}
