import { join } from 'node:path'
import { CHECKOUT, installed } from '../machine/checkout.ts'
import { checkComponents } from '../linting/componentTypes.ts'
import { lintComponents } from '../linting/components.ts'
import { ROOMS } from '../machine/rooms.ts'
import { runShown } from '../machine/run.ts'
import { chromiumPath } from './chromium.ts'
import { type Count, jestCount, playwrightCount, sum } from './count.ts'
import { unlessPassed } from './passedBefore.ts'
import { withTestCluster } from './withTestCluster.ts'

/** Runs one part of the tests; files for its results go into the folder. */
export type Part = (results: string) => Promise<Count>

const node = (args: string[], env: NodeJS.ProcessEnv = {}) =>
  runShown(process.execPath, args, { cwd: CHECKOUT, env })

const CONFIGS = ['.oxlintrc.json', 'eslint.config.js', 'jest.config.js', 'tsconfig.json']

/** What components are laid out from as TypeScript. */
const LAID_OUT_FROM = ['core', 'contract', 'web', 'scripts/linting']

/** One check that either holds or doesn't, of files alone: a program by its arguments, or what ends with an exit code. */
async function check(
  name: string,
  reads: readonly string[],
  checks: string[] | (() => Promise<number>),
): Promise<Count> {
  const exitCode = () => (Array.isArray(checks) ? node(checks) : checks())
  const holds = await unlessPassed(name, reads, async () => (await exitCode()) === 0)
  return holds ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 }
}

const format: Part = () =>
  check(
    'format',
    [...ROOMS, ...CONFIGS, '.oxfmtrc.json', 'README.md', 'docs'],
    [installed('oxfmt/bin/oxfmt'), '--check'],
  )

/** What needs types by a linter with the native compiler; what knows templates and our rooms by one that can be taught. */
async function lint(): Promise<Count> {
  const all = [...ROOMS, ...CONFIGS]
  return sum([
    await check('lint-types', all, [installed('oxlint/bin/oxlint'), '--deny-warnings']),
    await check('lint-components', LAID_OUT_FROM, lintComponents),
    await check('lint-rooms', all, [installed('eslint/bin/eslint.js'), '.', '--max-warnings', '0']),
  ])
}

/** Each room by itself, so that core can't lean on a browser's types; all by the native compiler. */
async function types(): Promise<Count> {
  const tsc = installed('typescript-native/bin/tsc')
  return sum([
    await check('types-core', ['core'], [tsc, '-p', 'core']),
    await check('types-contract', ['core', 'contract'], [tsc, '-p', 'contract']),
    await check('types-demo', ['core', 'contract', 'demo'], [tsc, '-p', 'demo']),
    await check('types-rest', [...ROOMS, ...CONFIGS], [tsc, '-p', '.']),
    await check('types-web', LAID_OUT_FROM, checkComponents),
  ])
}

async function jest(project: 'unit' | 'api', results: string, only: readonly string[] = []): Promise<Count> {
  const file = join(results, `${project}.json`)
  const code = await node([
    installed('jest/bin/jest.js'),
    '--selectProjects',
    project,
    // By itself it leaves one core idle, which on a small machine is half of them.
    '--maxWorkers=100%',
    '--json',
    `--outputFile=${file}`,
    ...(only.length > 0 ? ['--testPathPatterns', ...only] : []),
  ])
  return jestCount(file, code)
}

async function browser(results: string, only: readonly string[] = []): Promise<Count> {
  chromiumPath()
  const file = join(results, 'browser.json')
  const code = await node(
    [installed('@playwright/test/cli.js'), 'test', '--config', 'e2e/playwright.config.ts', ...only],
    { PLAYWRIGHT_JSON_OUTPUT_NAME: file },
  )
  return playwrightCount(file, code)
}

export const PARTS: Readonly<Record<string, Part>> = {
  format,
  types,
  lint,
  unit: (results) => jest('unit', results),
  api: (results) => withTestCluster(() => jest('api', results)),
  browser: (results) =>
    withTestCluster(() => browser(results, process.env['ONLY'] ? [process.env['ONLY']] : [])),
}

/** So many hostile requests, alone. */
export const fuzz = (requests: number): Part => {
  process.env['FUZZ_REQUESTS'] = String(requests)
  return (results) => withTestCluster(() => jest('api', results, ['fuzz']))
}

/** So many shots through a server and a database that are killed by turns, on disks that keep what they say they keep. */
export const killed = (shots: number): Part => {
  process.env['KILL_SHOTS'] = String(shots)
  process.env['CALM_APRON_DURABLE'] = 'yes'
  return (results) => withTestCluster(() => browser(results, ['survivesKill']))
}

/** In the order in which they fail fastest. Those of one wave run at once: most keep only one core busy. */
export const WAVES = [['format', 'types', 'lint', 'unit'], ['api'], ['browser']] as const
