import { join } from 'node:path'
import { CHECKOUT } from './machine/checkout.ts'
import { runMain } from './machine/plainFailure.ts'
import { runShown } from './machine/run.ts'
import { withTestCluster } from './testing/withTestCluster.ts'

async function keepRelease(): Promise<void> {
  const page = ['--import', 'tsx', join(CHECKOUT, 'releases/keep.ts')]
  // What that page leaves on a device, as the browser tests' own tool finds it.
  const device = [
    join(CHECKOUT, 'node_modules/@playwright/test/cli.js'),
    ...['test', '--config', 'e2e/kept.config.ts'],
  ]
  for (const args of [page, device]) {
    const code = await runShown(process.execPath, args, { cwd: CHECKOUT })
    if (code !== 0) process.exitCode = code
  }
}

await runMain(() => withTestCluster(keepRelease))
