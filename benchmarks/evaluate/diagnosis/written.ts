import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { frozenStatements, judgementTables } from './tables.ts'

const CHECKOUT = join(import.meta.dirname, '..', '..', '..')

/** Files that are written from the judgement itself; the tests compare them with what it says now. */
export const WRITTEN = {
  'docs/judgement-tables.md': judgementTables,
  'benchmarks/evaluate/diagnosis/frozenStatements.txt': frozenStatements,
} as const

export function readWritten(path: string): string {
  return readFileSync(join(CHECKOUT, path), 'utf8')
}

/** Writes them anew, for whoever has changed a rule and wants to see what that changes. */
export function writeAll(): void {
  for (const [path, make] of Object.entries(WRITTEN)) writeFileSync(join(CHECKOUT, path), make())
}
