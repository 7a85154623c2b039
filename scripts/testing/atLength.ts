import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PlainFailure } from '../machine/plainFailure.ts'
import type { Part } from './parts.ts'

/** What is said on the command line of how long a part of the tests runs. */
interface Length {
  /** Where nothing is said. */
  usual: number
  least: number
  /** What to say where it was said wrongly. */
  mend: string
}

/**
 * Runs a part of the tests at the length that the command line says, and closes with its counts.
 * @param part gets the length; files for its results go into a folder that is gone afterwards
 * @throws {PlainFailure} when what it says is no such length
 */
export async function runAtLength(
  { usual, least, mend }: Length,
  part: (length: number) => Part,
): Promise<void> {
  const length = Number(process.argv[3] ?? usual)
  if (!Number.isInteger(length) || length < least) throw new PlainFailure(mend)
  const results = mkdtempSync(join(tmpdir(), 'calm-apron-results-'))
  try {
    const { passed, failed } = await part(length)(results)
    console.log(`\n${passed} passed, ${failed} failed`)
    if (failed > 0) process.exitCode = 1
  } finally {
    rmSync(results, { recursive: true, force: true })
  }
}
