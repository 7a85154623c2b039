import { existsSync, readFileSync } from 'node:fs'

/** How many tests passed and failed. */
export interface Count {
  passed: number
  failed: number
}

interface JestResults {
  numPassedTests: number
  numFailedTests: number
  numRuntimeErrorTestSuites: number
}

interface PlaywrightResults {
  stats: { expected: number; unexpected: number; flaky: number }
  errors: unknown[]
}

/** A run that fell over, or ran nothing, has failed even where no test says so. */
function orFallenOver(count: Count, code: number): Count {
  const ranNothing = count.passed + count.failed === 0
  return count.failed === 0 && (code !== 0 || ranNothing) ? { ...count, failed: 1 } : count
}

/** Counts the results that Jest wrote; `code` is its exit code. */
export function jestCount(file: string, code: number): Count {
  if (!existsSync(file)) return { passed: 0, failed: 1 }
  const results = JSON.parse(readFileSync(file, 'utf8')) as JestResults
  const failed = results.numFailedTests + results.numRuntimeErrorTestSuites
  return orFallenOver({ passed: results.numPassedTests, failed }, code)
}

/** Counts the results that Playwright wrote; a test that passed only on a second try has failed. */
export function playwrightCount(file: string, code: number): Count {
  if (!existsSync(file)) return { passed: 0, failed: 1 }
  const { stats, errors } = JSON.parse(readFileSync(file, 'utf8')) as PlaywrightResults
  return orFallenOver(
    { passed: stats.expected, failed: stats.unexpected + stats.flaky + errors.length },
    code,
  )
}

/** All of them together. */
export function sum(counts: readonly Count[]): Count {
  return {
    passed: counts.reduce((total, { passed }) => total + passed, 0),
    failed: counts.reduce((total, { failed }) => total + failed, 0),
  }
}
