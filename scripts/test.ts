import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PlainFailure, runMain } from './machine/plainFailure.ts'
import { CHECKOUT } from './machine/checkout.ts'
import { runShown } from './machine/run.ts'
import { chromiumPath } from './testing/chromium.ts'
import { type Count, jestCount, playwrightCount } from './testing/count.ts'
import { withTestCluster } from './testing/withTestCluster.ts'

const bin = (path: string) => join(CHECKOUT, 'node_modules', path)
const node = (args: string[], env: NodeJS.ProcessEnv = {}) =>
  runShown(process.execPath, args, { cwd: CHECKOUT, env })

/** One check that either holds or doesn't. */
async function check(args: string[]): Promise<Count> {
  return (await node(args)) === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 }
}

async function jest(project: 'unit' | 'api', results: string): Promise<Count> {
  const file = join(results, `${project}.json`)
  const code = await node([
    '--experimental-vm-modules',
    '--disable-warning=ExperimentalWarning',
    bin('jest/bin/jest.js'),
    '--selectProjects',
    project,
    // By itself it leaves one core idle, which on a small machine is half of them.
    '--maxWorkers=100%',
    '--json',
    `--outputFile=${file}`,
  ])
  return jestCount(file, code)
}

async function browser(results: string): Promise<Count> {
  const only = process.env['ONLY'] ? [process.env['ONLY']] : []
  chromiumPath()
  const file = join(results, 'browser.json')
  const code = await node(
    [bin('@playwright/test/cli.js'), 'test', '--config', 'e2e/playwright.config.ts', ...only],
    {
      PLAYWRIGHT_JSON_OUTPUT_NAME: file,
    },
  )
  return playwrightCount(file, code)
}

async function types(): Promise<Count> {
  const counts: Count[] = []
  for (const room of ['core', 'contract', 'demo', '.'])
    counts.push(await check([bin('typescript/bin/tsc'), '-p', room]))
  counts.push(await check([bin('vue-tsc/bin/vue-tsc.js'), '-p', 'web']))
  return sum(counts)
}

type Part = (results: string) => Promise<Count>

const PARTS: Record<string, Part> = {
  format: () => check([bin('prettier/bin/prettier.cjs'), '--check', '--log-level', 'warn', '.']),
  types,
  lint: () => check([bin('eslint/bin/eslint.js'), '.', '--max-warnings', '0']),
  unit: (results) => jest('unit', results),
  api: (results) => withTestCluster(() => jest('api', results)),
  browser: (results) => withTestCluster(() => browser(results)),
}

/** In the order in which they fail fastest. Those of one wave run at once: each keeps only one core busy. */
const WAVES = [['format', 'types', 'lint'], ['unit'], ['api'], ['browser']]

async function run(name: string, results: string): Promise<Count> {
  console.log(`\n— ${name}`)
  const startMs = performance.now()
  const count = (await PARTS[name]?.(results)) ?? { passed: 0, failed: 1 }
  console.log(`— ${name} took ${((performance.now() - startMs) / 1000).toFixed(0)} s`)
  return count
}

function sum(counts: readonly Count[]): Count {
  return {
    passed: counts.reduce((total, { passed }) => total + passed, 0),
    failed: counts.reduce((total, { failed }) => total + failed, 0),
  }
}

await runMain(async () => {
  const asked = process.argv.slice(3)
  const unknown = asked.filter((name) => !(name in PARTS))
  if (unknown.length > 0)
    throw new PlainFailure(
      `There is no part "${unknown.join(', ')}"; the parts are ${Object.keys(PARTS).join(', ')}.`,
    )
  const results = mkdtempSync(join(tmpdir(), 'calm-apron-results-'))
  const counts: Count[] = []
  try {
    for (const wave of WAVES) {
      const due = wave.filter((name) => asked.length === 0 || asked.includes(name))
      counts.push(...(await Promise.all(due.map((name) => run(name, results)))))
    }
  } finally {
    rmSync(results, { recursive: true, force: true })
  }
  const { passed, failed } = sum(counts)
  console.log(`\n${passed} passed, ${failed} failed`)
  if (failed > 0) process.exitCode = 1
})
