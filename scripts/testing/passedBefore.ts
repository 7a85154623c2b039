import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { sourceFiles } from '../building/sourceFiles.ts'
import { CHECKOUT } from '../machine/checkout.ts'

const MARKS = join(CHECKOUT, 'node_modules/.cache/calm-apron')
/** Every check depends on these besides the files that it reads. */
const ALWAYS = [
  'package-lock.json',
  'package.json',
  'tsconfig.base.json',
  'scripts/testing',
  'scripts/test.ts',
]

/**
 * Runs a check that only reads files, unless it has passed before on files that say exactly the same; so a clean clone
 * runs all of them, and whoever changed one room waits for that room.
 * @param reads paths of files and folders, from the checkout
 */
export async function unlessPassed(
  name: string,
  reads: readonly string[],
  check: () => Promise<boolean>,
): Promise<boolean> {
  const mark = join(MARKS, name)
  const digest = digestOf([...ALWAYS, ...reads])
  if (existsSync(mark) && readFileSync(mark, 'utf8') === digest) {
    console.log(`  ${name}: passed before, and nothing it reads has changed`)
    return true
  }
  rmSync(mark, { force: true })
  const hasPassed = await check()
  if (hasPassed) {
    mkdirSync(MARKS, { recursive: true })
    writeFileSync(mark, digest)
  }
  return hasPassed
}

function digestOf(reads: readonly string[]): string {
  const hash = createHash('sha256').update(process.version)
  for (const file of sourceFiles(reads)) hash.update(file).update(readFileSync(join(CHECKOUT, file)))
  return hash.digest('hex')
}
