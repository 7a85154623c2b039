import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PlainFailure, runMain } from './machine/plainFailure.ts'
import { fuzz } from './testing/parts.ts'

const USUAL = 20_000

// Usage: npm run fuzz -- 100000
await runMain(async () => {
  const requests = Number(process.argv[3] ?? USUAL)
  if (!Number.isInteger(requests) || requests < 1)
    throw new PlainFailure('Say how many requests, in digits: npm run fuzz -- 100000')
  process.env['FUZZ_REQUESTS'] = String(requests)
  const results = mkdtempSync(join(tmpdir(), 'calm-apron-results-'))
  try {
    const { passed, failed } = await fuzz(results)
    console.log(`\n${passed} passed, ${failed} failed`)
    if (failed > 0) process.exitCode = 1
  } finally {
    rmSync(results, { recursive: true, force: true })
  }
})
