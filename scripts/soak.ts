import { join } from 'node:path'
import { CHECKOUT } from './machine/checkout.ts'
import { runMain } from './machine/plainFailure.ts'
import { runShown } from './machine/run.ts'
import { withTestCluster } from './testing/withTestCluster.ts'

// Usage: npm run soak; sixty tablets for five minutes, and what the server holds afterwards.
await runMain(() =>
  withTestCluster(async () => {
    const args = ['--import', 'tsx', join(CHECKOUT, 'benchmarks', 'soak.ts')]
    process.exitCode = await runShown(process.execPath, args, { cwd: CHECKOUT })
  }),
)
