import { PlainFailure, runMain } from './machine/plainFailure.ts'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PARTS } from './testing/parts.ts'

const USUAL = 10_000

// Usage: npm run kill -- 10000; shots are sent while server and database are killed by turns, and counted afterwards.
await runMain(async () => {
  const shots = Number(process.argv[3] ?? USUAL)
  if (!Number.isInteger(shots) || shots < 1000)
    throw new PlainFailure('Say how many shots, at least 1000, in digits: npm run kill -- 10000')
  process.env['KILL_SHOTS'] = String(shots)
  process.env['ONLY'] = 'survivesKill'
  process.env['CALM_APRON_DURABLE'] = 'yes'
  const results = mkdtempSync(join(tmpdir(), 'calm-apron-results-'))
  try {
    const count = await PARTS['browser']?.(results)
    if (count === undefined || count.failed > 0) process.exitCode = 1
  } finally {
    rmSync(results, { recursive: true, force: true })
  }
})
