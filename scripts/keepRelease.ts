import { join } from 'node:path'
import { CHECKOUT } from './machine/checkout.ts'
import { runMain } from './machine/plainFailure.ts'
import { runShown } from './machine/run.ts'
import { withTestCluster } from './testing/withTestCluster.ts'

async function keepRelease(): Promise<void> {
  const args = ['--import', 'tsx', join(CHECKOUT, 'releases/keep.ts')]
  const code = await runShown(process.execPath, args, { cwd: CHECKOUT })
  if (code !== 0) process.exitCode = code
}

await runMain(() => withTestCluster(keepRelease))
