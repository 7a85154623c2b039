import { join } from 'node:path'
import { buildIfChanged } from './building/build.ts'
import { CHECKOUT } from './machine/checkout.ts'
import { runMain } from './machine/plainFailure.ts'
import { runShown } from './machine/run.ts'
import { startTestCluster } from './testing/testCluster.ts'

const BENCHMARKS = ['readShot.ts', 'simulateShot.ts', 'listShots.ts']

await runMain(async () => {
  process.env['CALM_APRON_DIST'] ??= join(CHECKOUT, 'dist/test')
  await buildIfChanged()
  const cluster = await startTestCluster()
  try {
    for (const file of BENCHMARKS) {
      const code = await runShown(process.execPath, ['--import', 'tsx', join(CHECKOUT, 'benchmarks', file)], {
        cwd: CHECKOUT,
      })
      if (code !== 0) process.exitCode = code
    }
  } finally {
    cluster.stop()
  }
})
