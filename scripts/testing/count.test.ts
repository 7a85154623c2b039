import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { jestCount, playwrightCount } from './count.ts'

let folder = ''
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'calm-apron-count-'))
})
afterEach(() => rmSync(folder, { recursive: true }))

function written(results: object): string {
  const file = join(folder, 'results.json')
  writeFileSync(file, JSON.stringify(results))
  return file
}
const jest = (passed: number, failed: number, fellOver = 0) =>
  written({ numPassedTests: passed, numFailedTests: failed, numRuntimeErrorTestSuites: fellOver })
const playwright = (expected: number, unexpected: number, flaky = 0, errors: unknown[] = []) =>
  written({ stats: { expected, unexpected, flaky }, errors })

test('what passed has passed and what failed has failed', () => {
  expect(jestCount(jest(7, 2), 1)).toEqual({ passed: 7, failed: 2 })
  expect(playwrightCount(playwright(7, 2), 1)).toEqual({ passed: 7, failed: 2 })
})

test('a suite that could not even run counts as a failure', () => {
  expect(jestCount(jest(7, 0, 1), 1)).toEqual({ passed: 7, failed: 1 })
  expect(playwrightCount(playwright(7, 0, 0, ['no browser']), 1)).toEqual({ passed: 7, failed: 1 })
})

test('a test that passed only on a second try has failed', () => {
  expect(playwrightCount(playwright(7, 0, 1), 0)).toEqual({ passed: 7, failed: 1 })
})

test('a run that wrote nothing, ran nothing, or ended badly without saying why has failed', () => {
  expect(jestCount(join(folder, 'none.json'), 0)).toEqual({ passed: 0, failed: 1 })
  expect(playwrightCount(join(folder, 'none.json'), 0)).toEqual({ passed: 0, failed: 1 })
  expect(jestCount(jest(0, 0), 0)).toEqual({ passed: 0, failed: 1 })
  expect(jestCount(jest(7, 0), 134)).toEqual({ passed: 7, failed: 1 })
})
