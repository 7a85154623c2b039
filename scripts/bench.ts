import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, join } from 'node:path'
import { build as bundle } from 'esbuild'
import { FOR_NODE } from './building/build.ts'
import { CHECKOUT } from './machine/checkout.ts'
import { runMain } from './machine/plainFailure.ts'
import { runShown } from './machine/run.ts'
import { withTestCluster } from './testing/withTestCluster.ts'

const BENCHMARKS = [
  'readShot.ts',
  'adviseGrind.ts',
  'simulateShot.ts',
  'longDays.ts',
  'today.ts',
  'listPrepared.ts',
  'signIn.ts',
  'liveTablets.ts',
  'firstLoad.ts',
  'liveShot.ts',
  'deviceFirst.ts',
  'otherTablet.ts',
]

/** What is measured of core alone is measured as it ships: the development loader names every function anew, at each call. */
const OF_CORE = ['readShot.ts', 'adviseGrind.ts', 'simulateShot.ts']

/** Only those whose name holds one of the words given, where any are. */
const asked = process.argv.slice(3)

async function runBenchmarks(): Promise<void> {
  const compiled = mkdtempSync(join(tmpdir(), 'calm-apron-bench-'))
  try {
    for (const file of BENCHMARKS.filter(
      (each) => asked.length === 0 || asked.some((word) => each.includes(word)),
    )) {
      const source = join(CHECKOUT, 'benchmarks', file)
      const args = OF_CORE.includes(file) ? [await compile(source, compiled)] : ['--import', 'tsx', source]
      const code = await runShown(process.execPath, args, { cwd: CHECKOUT })
      if (code !== 0) process.exitCode = code
    }
  } finally {
    rmSync(compiled, { recursive: true, force: true })
  }
}

async function compile(source: string, into: string): Promise<string> {
  const outfile = join(into, `${basename(source, '.ts')}.mjs`)
  await bundle({ ...FOR_NODE, entryPoints: [source], outfile })
  return outfile
}

await runMain(() => withTestCluster(runBenchmarks))
