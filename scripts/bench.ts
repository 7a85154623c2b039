import { join } from 'node:path'
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

/** Only those whose name holds one of the words given, where any are. */
const asked = process.argv.slice(3)

async function runBenchmarks(): Promise<void> {
  for (const file of BENCHMARKS.filter(
    (each) => asked.length === 0 || asked.some((word) => each.includes(word)),
  )) {
    const args = ['--import', 'tsx', join(CHECKOUT, 'benchmarks', file)]
    const code = await runShown(process.execPath, args, { cwd: CHECKOUT })
    if (code !== 0) process.exitCode = code
  }
}

await runMain(() => withTestCluster(runBenchmarks))
