import { join } from 'node:path'
import { CHECKOUT } from './machine/checkout.ts'
import { runMain } from './machine/plainFailure.ts'
import { runShown } from './machine/run.ts'

async function evaluate(): Promise<void> {
  const args = ['--import', 'tsx', join(CHECKOUT, 'benchmarks', 'evaluate.ts'), ...process.argv.slice(3)]
  process.exitCode = await runShown(process.execPath, args, { cwd: CHECKOUT })
}

await runMain(evaluate)
